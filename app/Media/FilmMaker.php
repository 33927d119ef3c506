<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\CaptionScript;
use OpenReel\Core\Captions\TimedText;
use OpenReel\Core\Film\FilmPlan;
use OpenReel\Core\Render\ChapterFile;
use OpenReel\Core\Render\ConcatFile;
use OpenReel\Core\Render\ConcatList;
use OpenReel\Core\Render\ExportPreset;
use OpenReel\Core\Render\FilmCaptionTrack;
use OpenReel\Core\Render\FilmCommand;
use OpenReel\Core\Render\PieceRequest;
use OpenReel\Core\Render\PostProcess;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Render\TransitionSpec;
use OpenReel\Core\Sound\LoudnessReport;
use OpenReel\Core\Soundtrack\SoundPart;

/** Makes a film from its plan: the pieces that are not in the cache, side by side, and then all of them joined. */
final class FilmMaker
{
    public function __construct(
        private readonly PieceRenderer $pieces,
        private readonly SoundRenderer $sounds,
        private readonly Encoder $encoder,
        private readonly MediaStore $media,
    ) {
    }

    /**
     * @param  list<Caption>  $captions  that go into it: as text, or as part of the picture
     * @return array{string, LoudnessReport} path of the film, a draft, and how loud it is
     *
     * @throws Cancelled when the progress says so
     */
    public function make(
        FilmPlan $plan,
        string $title,
        array $captions,
        FilmProgress $report,
        ExportPreset $edition = new ExportPreset(),
    ): array {
        $soundtrack = $this->render($plan, $report);
        $report->joining();
        $film = $this->join($plan, $title, $edition->needsAnotherPass() ? [] : $captions, $soundtrack);

        return [
            $edition->needsAnotherPass() ? $this->passed($film, $plan, $captions, $edition, $report) : $film,
            new LoudnessReport($soundtrack->meta['lufs'] ?? null, $soundtrack->meta['peak'] ?? null),
        ];
    }

    /**
     * @param  string  $film  path of a draft, which goes
     * @param  list<Caption>  $captions
     * @return string path of the film as it was asked for, a draft
     */
    private function passed(string $film, FilmPlan $plan, array $captions, ExportPreset $edition, FilmProgress $report): string
    {
        $isBurned = $edition->burned && $captions !== [] && $plan->captionStyle !== null;
        $script = $isBurned ? $this->media->draft('ass') : null;
        $texts = $edition->burned || $captions === [] ? null : $this->media->draft('vtt');
        $out = $this->media->draft($edition->format->value);
        try {
            if ($script !== null && $plan->captionStyle !== null) {
                $this->media->fill($script, CaptionScript::write($captions, $plan->assembly->frame, $plan->captionStyle));
            }
            if ($texts !== null) {
                $this->media->fill($texts, TimedText::webVtt($captions));
            }
            $track = $texts === null ? null : new FilmCaptionTrack($texts, $plan->language->threeLetters());
            $this->encoder->run(
                PostProcess::arguments($film, $edition, $out, $script, resource_path('fonts'), $track),
                $report->passing(...),
            );
        } catch (\Throwable $e) {
            @unlink($out);
            throw $e;
        } finally {
            array_map(fn (string $draft): bool => @unlink($draft), array_filter([$film, $script, $texts]));
        }

        return $out;
    }

    private function render(FilmPlan $plan, FilmProgress $report): Rendered
    {
        $missing = array_values(array_filter($plan->pictures(), fn (ShotSpec|TransitionSpec $s): bool => ! $this->pieces->has($s)));
        $orders = array_map($this->pieces->order(...), $missing);
        $report->expect(array_sum(array_map(fn (PieceRequest $o): int => $o->frames, $orders)));
        $parts = SoundPart::all($plan->sound());
        $work = [];
        foreach ($parts as $part) {
            $work[] = function () use ($part, $plan, $report): void {
                $report->mustGoOn();
                $this->sounds->part($part, $plan->files);
            };
        }
        foreach ($orders as $index => $order) {
            $work[] = function () use ($order, $index, $plan, $report): void {
                $report->mustGoOn();
                $this->pieces->make(
                    $order,
                    $plan->files,
                    fn (int $frames) => $report->rendered($index, min($frames, $order->frames)),
                );
                $report->rendered($index, $order->frames);
            };
        }
        FiberPool::run($work, (int) config('reel.render_slots'));

        return $this->sounds->soundtrack($parts, $plan->files);
    }

    /**
     * @param  list<Caption>  $captions
     * @return string path of the joined film, a draft
     */
    private function join(FilmPlan $plan, string $title, array $captions, Rendered $soundtrack): string
    {
        $specs = $plan->pictures();
        $pieces = array_map(
            fn (ShotSpec|TransitionSpec $s): Rendered => $this->pieces->make($this->pieces->order($s), $plan->files),
            $specs,
        );
        if (count(array_unique(array_map(fn (Rendered $r): string => (string) ($r->meta['setup'] ?? ''), $pieces))) > 1) {
            // ffmpeg would join them without a word, and players would show a broken picture.
            throw ProgramFailed::running(['join'], 1, 'pieces were encoded with different set-ups');
        }
        $list = $this->media->draft('txt');
        $this->media->fill(
            $list,
            ConcatList::write(
                array_map(
                    fn (ShotSpec|TransitionSpec $s, Rendered $piece): ConcatFile => new ConcatFile($piece->path, $s->length()),
                    $specs,
                    $pieces,
                ),
            ),
        );
        $chapters = $this->media->draft('ffmeta');
        $texts = $captions === [] ? null : $this->media->draft('vtt');
        $film = $this->media->draft('mp4');
        try {
            $marks = $plan->assembly->chapters();
            $this->media->fill($chapters, ChapterFile::write($title, $marks));
            if ($texts !== null) {
                $this->media->fill($texts, TimedText::webVtt($captions));
            }
            $this->encoder->run(
                FilmCommand::lesson(
                    $list,
                    $soundtrack->path,
                    $chapters,
                    $film,
                    ChapterFile::arguments($title, $marks),
                    $texts === null ? null : new FilmCaptionTrack($texts, $plan->language->threeLetters()),
                ),
            );
        } catch (\Throwable $e) {
            @unlink($film);
            throw $e;
        } finally {
            @unlink($list);
            @unlink($chapters);
            @unlink((string) $texts);
        }

        return $film;
    }
}
