<?php

declare(strict_types=1);

namespace App\Actions\Slides;

use App\Actions\Script\SaveScript;
use App\Events\LessonChanged;
use App\Media\Cancelled;
use App\Media\DrawnPage;
use App\Media\MediaStore;
use App\Models\Deck;
use App\Models\Lesson;
use App\Models\Slide;
use App\Models\WorkState;
use App\OperationRejected;
use App\Queries\Slides\SlideNames;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use OpenReel\Core\Deck\Page;
use OpenReel\Core\Deck\PageMatch;
use OpenReel\Core\Deck\ShownSlides;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Script\SectionText;

/**
 * Makes slides of a deck's drawn pages: new ones, or new pictures for the slides they are found to be. An empty script
 * gets a section a page; speaker notes become script where there is none.
 */
final class SettleDeck
{
    /** What of a slide a new page changes; kept in the report, so that it can be undone. */
    private const DRAWN = ['deck_id', 'page', 'path', 'mime', 'hash', 'width', 'height', 'text', 'look', 'position'];

    public function __construct(
        private readonly MediaStore $media,
        private readonly SaveScript $save,
        private readonly LinkSlides $link,
    ) {
    }

    /** @param  list<DrawnPage>  $pages */
    public function __invoke(Deck $deck, array $pages): void
    {
        $lesson = $deck->lesson;
        $files = array_map(fn (DrawnPage $page): array => $this->keep($lesson, $deck, $page), $pages);
        try {
            DB::transaction(fn () => $this->settle($deck, $lesson, $pages, $files));
        } catch (\Throwable $e) {
            array_map(fn (array $file) => $this->media->delete($file['path']), $files);
            throw $e;
        }
        LessonChanged::dispatch($lesson->id);
    }

    /**
     * @param  list<DrawnPage>  $pages
     * @param  list<array<string, mixed>>  $files  what a slide says of each page's picture
     *
     * @throws Cancelled
     */
    private function settle(Deck $deck, Lesson $lesson, array $pages, array $files): void
    {
        if ($deck->purpose === 'replace') {
            ($this->save)($lesson, LinkSlides::named($lesson->refresh()));
        }
        $old = $lesson->slides()->get();
        $found = $deck->purpose === 'replace' ? $this->match($old, $pages) : [];
        $names = SlideNames::of($lesson);
        $before = $added = [];
        $position = $deck->purpose === 'replace' ? 0 : (int) $lesson->slides()->max('position');
        foreach ($pages as $i => $page) {
            $slide = $old->firstWhere('id', array_search((string) $page->number, $found, true));
            if ($slide !== null) {
                $before[$slide->id] = array_intersect_key($slide->getAttributes(), array_flip(self::DRAWN));
                $slide->update($files[$i] + ['position' => ++$position]);
            } else {
                $added[] = $lesson
                    ->slides()
                    ->create($files[$i] + ['name' => $names->free($page->title()), 'position' => ++$position]);
            }
        }
        /** @var list<Slide> $kept */
        $kept =
            $deck->purpose === 'replace' ? array_values($old->reject(fn (Slide $s): bool => isset($before[$s->id]))->all()) : [];
        $replaced = count($before);
        foreach ($kept as $slide) {
            $before[$slide->id] = ['position' => $slide->position];
            $slide->update(['position' => ++$position]);
        }
        if ($deck->purpose === 'add') {
            $this->fillScript($lesson, $pages, $added);
        }
        ($this->link)($lesson->refresh());
        $isDone = $deck->become(WorkState::Done, WorkState::OPEN, [
            'report' => [
                'added' => array_map(fn (Slide $s): array => ['id' => $s->id, 'name' => $s->name], $added),
                'replaced' => $replaced,
                'unmatched' => array_map(fn (Slide $s): array => ['id' => $s->id, 'name' => $s->name], $kept),
                'before' => $before,
            ],
        ]);
        if (! $isDone) {
            throw Cancelled::byPresenter();
        }
    }

    /**
     * Takes a replacement back: every slide shows what it showed before, where it stood before.
     *
     * @throws OperationRejected when there is nothing to take back (any more)
     */
    public function undo(Deck $deck): void
    {
        DB::transaction(function () use ($deck): void {
            if ($deck->purpose !== 'replace' || ! $deck->become(WorkState::Cancelled, [WorkState::Done], ['problem' => null])) {
                throw OperationRejected::conflict('There is nothing to take back: no slides were replaced by this file.');
            }
            // Its own lesson's slides, and what a new page changed of them: whatever else a report says is not done.
            $slides = fn (array $ids): Builder => Slide::query()->where('lesson_id', $deck->lesson_id)->whereKey($ids);
            $before = (array) ($deck->report['before'] ?? []);
            foreach ($slides(array_keys($before))->get() as $slide) {
                self::putBack($slide, (array) $before[$slide->id]);
            }
            $slides(array_column((array) ($deck->report['added'] ?? []), 'id'))->delete();
            ($this->link)($deck->lesson->refresh());
        });
        LessonChanged::dispatch($deck->lesson_id);
    }

    /** @param  array<string, mixed>  $values  what it showed, by column */
    private static function putBack(Slide $slide, array $values): void
    {
        $values = array_intersect_key($values, array_flip(self::DRAWN));
        if (isset($values['path']) && ! MediaStore::isInFolder((string) $values['path'], "lessons/{$slide->lesson_id}/slides")) {
            return;
        }
        $look = isset($values['look']) ? ['look' => json_decode((string) $values['look'], true)] : [];
        $slide->forceFill($look + $values)->save();
    }

    /** @return array<string, mixed> */
    private function keep(Lesson $lesson, Deck $deck, DrawnPage $page): array
    {
        $path = "lessons/{$lesson->id}/slides/".strtolower((string) Str::ulid()).'.png';
        [$width, $height] = (array) getimagesize($page->draft) + [0, 0];
        $this->media->mustHaveRoomFor(0, 'the slides');
        $this->media->commit($page->draft, $path);

        return [
            'deck_id' => $deck->id,
            'page' => $page->number,
            'path' => $path,
            'mime' => 'image/png',
            'hash' => $this->media->hash($path),
            'width' => (int) $width,
            'height' => (int) $height,
            'text' => $page->text,
            'look' => $page->look,
            // What it was before may have moved.
            'steps' => [],
            'film' => null,
        ];
    }

    /**
     * @param  Collection<int, Slide>  $old
     * @param  list<DrawnPage>  $pages
     * @return array<string, string> number of the page by id of the slide
     */
    private function match(Collection $old, array $pages): array
    {
        return PageMatch::newByOld(
            array_values($old->map(fn (Slide $s): Page => new Page($s->id, $s->text, $s->look))->all()),
            array_map(fn (DrawnPage $p): Page => new Page((string) $p->number, $p->text, $p->look), $pages),
        );
    }

    /**
     * @param  list<DrawnPage>  $pages
     * @param  list<Slide>  $slides  one a page
     */
    private function fillScript(Lesson $lesson, array $pages, array $slides): void
    {
        $script = Script::parse($lesson->refresh()->script);
        $isEmpty =
            $script->lines() === [] &&
            array_filter($script->sections, fn (ScriptSection $s): bool => trim($s->heading) !== '' || $s->cues !== []) === [];
        if ($isEmpty) {
            $sections = array_map(
                fn (DrawnPage $p, Slide $s): SectionText => new SectionText(
                    $p->title() === "Page {$p->number}" ? '' : $s->name,
                    rtrim(Cue::write(CueKind::Slide, $s->name)."\n\n".$p->notes),
                ),
                $pages,
                $slides,
            );
            ($this->save)($lesson, Script::compose($script->title ?? $lesson->title, $sections));

            return;
        }
        $notes = array_column(array_map(fn (DrawnPage $p, Slide $s): array => [$s->id, $p->notes], $pages, $slides), 1, 0);
        $deck = $lesson->slides()->get();
        $shown = ShownSlides::of($script, array_values($deck->pluck('name')->all()));
        foreach ($script->sections as $index => $section) {
            foreach ($section->lines === [] ? $section->openingCues(CueKind::Slide) : [] as $cue) {
                $note = $notes[$deck[$shown->at($cue) ?? -1]->id ?? ''] ?? '';
                $script =
                    $note === '' ? $script : $script->withSection($index, $section->heading, $section->text()."\n\n".$note);
            }
        }
        ($this->save)($lesson, $script);
    }
}
