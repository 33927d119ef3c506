<?php

declare(strict_types=1);

namespace App\Actions\Script;

use App\Models\Lesson;
use App\Models\Section;
use App\OperationRejected;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\LayoutCue;
use OpenReel\Core\Script\Script;

/** Changes to the script that are made elsewhere than on its page: each is a change of the one text. */
final class EditScript
{
    public function __construct(private readonly SaveScript $save)
    {
    }

    public function title(Lesson $lesson, string $title): void
    {
        $this->change($lesson, fn (Script $script): array => [$script->withTitle($title), $this->ids($lesson)]);
        $lesson->update(['title' => $title]);
    }

    /** Heading and words; null leaves one of them as it is. */
    public function section(Section $section, ?string $heading, ?string $text): void
    {
        $this->change($section->lesson, function (Script $script, array $ids) use ($section, $heading, $text): array {
            $index = self::indexOf($section, $ids);
            $now = $script->sections[$index];

            return [$script->withSection($index, $heading ?? $now->heading, $text ?? $now->text()), $ids];
        });
    }

    /** @param  string  $value  as the cue says it; empty takes the section's own cue away */
    public function opening(Section $section, CueKind $kind, string $value): void
    {
        $this->change($section->lesson, function (Script $script, array $ids) use ($section, $kind, $value): array {
            $index = self::indexOf($section, $ids);
            $now = $script->sections[$index];

            return [$script->withSection($index, $now->heading, $now->textWithOpening($kind, $value)), $ids];
        });
    }

    /** What the section's own layout says from now on; what it leaves open follows the house style. */
    public function layout(Section $section, LayoutCue $layout): void
    {
        $this->opening($section, CueKind::Layout, $layout->write());
    }

    /** @return string id of the new section, empty, at the end or behind another one */
    public function add(Lesson $lesson, ?string $after, string $heading = '', string $text = ''): string
    {
        $at = 0;
        $this->change($lesson, function (Script $script, array $ids) use ($after, $heading, $text, &$at): array {
            $place = array_search($after, $ids, true);
            $at = $place === false ? count($ids) : $place + 1;
            $known = [];
            foreach ($ids as $i => $id) {
                $known[$i < $at ? $i : $i + 1] = $id;
            }

            return [$script->withInserted($at, $heading, $text), $known];
        });

        return $this->ids($lesson)[$at];
    }

    public function remove(Section $section): void
    {
        $this->change($section->lesson, function (Script $script, array $ids) use ($section): array {
            $index = self::indexOf($section, $ids);
            array_splice($ids, $index, 1);

            return [$script->without($index), $ids];
        });
    }

    /** Brings a removed section back to where it stood; one that is there stays as it is. */
    public function bringBack(Section $section): void
    {
        $this->change($section->lesson, function (Script $script, array $ids) use ($section): array {
            if (in_array($section->id, $ids, true)) {
                return [$script, $ids];
            }
            $at = min($section->position - 1, count($ids));
            array_splice($ids, $at, 0, [$section->id]);

            return [$script->withInserted($at, $section->heading, $section->script), $ids];
        });
    }

    /**
     * @param  list<string>  $order  ids of all sections, each once
     *
     * @throws OperationRejected when sections were added or removed meanwhile
     */
    public function order(Lesson $lesson, array $order): void
    {
        $this->change($lesson, function (Script $script, array $ids) use ($order): array {
            if (count($order) !== count($ids) || array_diff($ids, $order) !== []) {
                throw OperationRejected::conflict(
                    'The sections have changed meanwhile, in another window perhaps. Look at the new list and move again.',
                );
            }

            return [$script->inOrder(array_map(fn (string $id): int => (int) array_search($id, $ids, true), $order)), $order];
        });
    }

    /**
     * @param  callable(Script, list<string>): array{Script, array<int, string>}  $change  the script then, and which section is
     *    which
     */
    private function change(Lesson $lesson, callable $change): void
    {
        DB::transaction(function () use ($lesson, $change): void {
            $lesson->refresh();
            [$script, $known] = $change(Script::parse($lesson->script), $this->ids($lesson));
            ($this->save)($lesson, $script, known: $known);
        });
    }

    /** @return list<string> */
    private function ids(Lesson $lesson): array
    {
        return array_values($lesson->sections()->pluck('id')->all());
    }

    /** @param  list<string>  $ids */
    private static function indexOf(Section $section, array $ids): int
    {
        $index = array_search($section->id, $ids, true);

        return $index === false ? throw OperationRejected::notYet('This section has been removed.') : $index;
    }
}
