<?php

declare(strict_types=1);

namespace App\Actions\Script;

use App\Models\Lesson;
use App\Models\Section;
use App\OperationRejected;
use App\Queries\Lessons\LessonStyle;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Assembly\HeldCue;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueChange;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection as ScriptSection;
use OpenReel\Core\Script\WordPlace;

/** Cues that are chosen for words, elsewhere than on the typed page: each is a change of the script. */
final class PlaceCue
{
    public function __construct(private readonly SaveScript $save, private readonly EditScript $edit)
    {
    }

    /**
     * @param  array{line: string, word: int}  $from  id of the line; its word, counted from 0
     * @param  array{line: string, word: int}|null  $until  the word behind the last; null when it holds on
     *
     * @throws OperationRejected with the script as it is now, when it was changed by someone else meanwhile
     */
    public function over(Lesson $lesson, Section $section, string $cue, array $from, ?array $until, int $revision): Lesson
    {
        $new = self::cue($cue);
        $script = $this->script($lesson, $revision);
        $index = self::index($lesson, $section);
        $in = $script->sections[$index];
        $place = self::place($section, $in, $from) ?? throw OperationRejected::conflict('These words are gone from the script.');
        $end = $until === null ? null : self::place($section, $in, $until);
        if ($end !== null && ! $place->isBefore($end)) {
            throw OperationRejected::badInput('Choose at least one word.');
        }
        $names = array_values($lesson->slides()->pluck('name')->all());
        $then = $end === null ? '' : HeldCue::at($script, $in, $new, $end, LessonStyle::of($lesson), $names);

        return ($this->save)($lesson, Script::parse(CueChange::over($script, $index, $new, $place, $end, $then)), $revision);
    }

    /**
     * What a section begins with, also where it has no words.
     *
     * @param  string  $cue  with its brackets
     *
     * @throws OperationRejected as `over`
     */
    public function opening(Lesson $lesson, Section $section, string $cue, int $revision): Lesson
    {
        $new = self::cue($cue);
        $this->script($lesson, $revision);
        $this->edit->opening($section, $new->kind, $new->value);

        return $lesson->refresh();
    }

    /**
     * @param  int  $number  by index among the section's cues
     * @param  string  $was  the cue as it is written there now
     * @param  string  $cue  with its brackets; empty takes it away
     */
    public function replace(Lesson $lesson, Section $section, int $number, string $was, string $cue, int $revision): Lesson
    {
        $script = $this->script($lesson, $revision);
        $index = self::index($lesson, $section);
        $old = $script->sections[$index]->cues[$number] ?? null;
        if ($old === null || substr($script->write(), $old->from, $old->until - $old->from) !== $was) {
            throw OperationRejected::conflict('This cue is not in the script any more.');
        }
        $text = CueChange::replaced($script, $index, $number, $cue === '' ? '' : self::cue($cue)->source());

        return ($this->save)($lesson, Script::parse($text), $revision);
    }

    private function script(Lesson $lesson, int $revision): Script
    {
        $lesson->refresh();
        if ($lesson->revision !== $revision) {
            throw OperationRejected::conflict(
                'The script was changed meanwhile, in another window perhaps. Look at it, and choose again.',
                ['text' => $lesson->script, 'revision' => $lesson->revision],
            );
        }

        return Script::parse($lesson->script);
    }

    private static function index(Lesson $lesson, Section $section): int
    {
        $index = array_search($section->id, $lesson->sections()->pluck('id')->all(), true);

        return $index === false ? throw OperationRejected::conflict('This section has been removed.') : (int) $index;
    }

    /** @param  array{line: string, word: int}  $word */
    private static function place(Section $section, ScriptSection $in, array $word): ?WordPlace
    {
        $row = DB::table('lines')
            ->where(['id' => $word['line'], 'section_id' => $section->id])
            ->whereNotNull('position')
            ->first();
        $line = $in->lines[(int) ($row->position ?? 0) - 1] ?? null;

        return $line === null ? null : WordPlace::before($line, $word['word']);
    }

    private static function cue(string $text): Cue
    {
        $cue = Cue::parse($text, 0);
        if ($cue === null || $cue->until !== strlen(trim($text))) {
            throw OperationRejected::badInput('This is no cue.');
        }
        $problem = $cue->problem();
        if ($problem !== null || in_array($cue->kind, [CueKind::Target, CueKind::Card], true)) {
            throw OperationRejected::badInput($problem ?? 'This belongs to a section as a whole.');
        }

        return $cue;
    }
}
