<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** Changes of what a script shows that are made by choosing words: cues are written, replaced and taken away. */
final class CueChange
{
    /**
     * Something else holds from a place on, until another cue of its sort or a place where it ends. Cues of its sort between go.
     *
     * @param  int  $section  by index
     * @param  WordPlace|null  $until  null when it holds on
     * @param  string  $then  what holds behind that, with its brackets
     * @return string the script's text then
     */
    public static function over(
        Script $script,
        int $section,
        Cue $cue,
        WordPlace $from,
        ?WordPlace $until = null,
        string $then = '',
    ): string {
        $text = $script->write();
        $in = $script->sections[$section];
        $isThere = false;
        $isSaid = $until === null || $then === '';
        $edits = [];
        foreach ($in->cues as $one) {
            $at = WordPlace::of($one);
            $isThere = $isThere || $at == $from && $one->source() === $cue->source();
            $isSaid = $isSaid || $at == $until && ($one->kind->replaces($cue->kind) || $one->source() === $then);
            if ($one->kind->replaces($cue->kind) &&
                ($at == $from || $until !== null && $from->isBefore($at) && $at->isBefore($until))) {
                $edits[] = new TextEdit($one->from, $one->until, '');
            }
        }
        if (! $isThere || $edits !== []) {
            $edits[] = self::writing($text, $in, $from, $cue->source());
        }
        if ($until !== null && ! $isSaid) {
            $edits[] = self::writing($text, $in, $until, $then);
        }

        return self::edited($text, array_values(array_filter($edits)));
    }

    /**
     * @param  int  $section  by index
     * @param  int  $cue  by index among the section's
     * @param  string  $with  a cue with its brackets; empty takes it away
     * @return string the script's text then
     */
    public static function replaced(Script $script, int $section, int $cue, string $with): string
    {
        $old = $script->sections[$section]->cues[$cue] ?? null;

        return $old === null ? $script->write() : self::edited($script->write(), [new TextEdit($old->from, $old->until, $with)]);
    }

    /** The cue of some sort that holds before a place. */
    public static function inForce(ScriptSection $section, CueKind $kind, WordPlace $at): ?Cue
    {
        $found = null;
        foreach ($section->cues as $cue) {
            $found = $cue->kind->replaces($kind) && WordPlace::of($cue)->isBefore($at) ? $cue : $found;
        }

        return $found;
    }

    private static function writing(string $text, ScriptSection $section, WordPlace $place, string $cue): ?TextEdit
    {
        $line = $section->lines[$place->line - 1] ?? null;
        if ($line === null) {
            // Behind the last word.
            $end = $section->lines[count($section->lines) - 1]->until ?? null;

            return $end === null ? null : new TextEdit($end, $end, " {$cue}");
        }
        if (! $place->opensSection()) {
            $at = CuePlaces::at($text, $line, $place->within);

            return new TextEdit($at, $at, "{$cue} ");
        }
        // Cues that open a section stand in rows of their own.
        $last = null;
        foreach ($section->cues as $one) {
            $last = WordPlace::of($one)->opensSection() ? $one : $last;
        }

        // Between the last of them and the first word there may be marks of a list.
        return $last !== null && trim(substr($text, $last->until, $line->from - $last->until)) === ''
            ? new TextEdit($last->until, $last->until, " {$cue}")
            : new TextEdit(
                $line->from, $line->from, $last === null && self::beginsRow($text, $line->from) ? "{$cue}\n\n" : "{$cue} ",
            );
    }

    private static function beginsRow(string $text, int $at): bool
    {
        return $at === 0 || in_array($text[$at - 1], ["\n", "\r"], true);
    }

    /** @param  list<TextEdit>  $edits */
    private static function edited(string $text, array $edits): string
    {
        // From the end, so that places before stay where they are.
        usort($edits, fn (TextEdit $a, TextEdit $b): int => [$b->from, $b->until] <=> [$a->from, $a->until]);
        foreach ($edits as $edit) {
            $text = $edit->with === ''
                ? self::without(substr($text, 0, $edit->from), substr($text, $edit->until))
                : substr($text, 0, $edit->from).$edit->with.substr($text, $edit->until);
        }

        return $text;
    }

    /** Both sides of a cue that is gone, without the white space that it needed. */
    private static function without(string $before, string $behind): string
    {
        $start = rtrim($before, " \t");
        if (($start === '' || str_ends_with($start, "\n")) && preg_match('/^[ \t]*(\r\n|\r|\n)+/', $behind, $row) === 1) {
            return $start.substr($behind, strlen($row[0]));
        }
        $isParted = $start === '' || $start !== $before || str_ends_with($start, "\n");
        if ($isParted && preg_match('/^[ \t]+/', $behind, $space) === 1) {
            return $before.substr($behind, strlen($space[0]));
        }

        return preg_match('/^[\r\n]/', $behind) === 1 ? $start.$behind : $before.$behind;
    }
}
