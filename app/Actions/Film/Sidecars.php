<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\Archive;
use App\Media\MediaStore;
use App\Models\Export;
use App\Models\Lesson;
use App\Queries\Film\SidecarFile;
use OpenReel\Core\Assembly\Chapter;
use OpenReel\Core\Assembly\Thumbnail;
use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\CaptionLanguage;
use OpenReel\Core\Captions\DocxParagraph;
use OpenReel\Core\Captions\TimedLine;
use OpenReel\Core\Captions\TimedLines;
use OpenReel\Core\Captions\TimedText;
use OpenReel\Core\Captions\Transcript;
use OpenReel\Core\Captions\TranscriptDocx;
use OpenReel\Core\Captions\Translations;
use OpenReel\Core\Film\FilmPlan;

/** The files that go with a film: made when it is, so that they say what it says. */
final class Sidecars
{
    public function __construct(private readonly MediaStore $media)
    {
    }

    /**
     * @param  list<Caption>  $captions
     * @return list<string> what was written, by a key of SidecarFile::kinds()
     */
    public function write(Export $export, FilmPlan $plan, array $captions): array
    {
        $texts = self::texts($plan, $export->lesson, $captions);
        foreach ($texts as $kind => $text) {
            $this->media->write(SidecarFile::path($export, $kind), $text);
        }
        $said = TimedLines::of($plan->assembly, $plan->texts);
        $this->media->commit($this->docx($export->lesson->title, $plan, $said), SidecarFile::path($export, 'transcript.docx'));
        $lines = array_map(fn (TimedLine $l): array => $l->toArray(), $said);
        $chapters = array_map(
            fn (Chapter $c): array => ['title' => $c->title, 'from_ms' => $c->from->milliseconds()],
            $plan->assembly->chapters(),
        );
        $this->media->write(
            SidecarFile::path($export, SidecarFile::LINES),
            json_encode([
                'lines' => $lines,
                'chapters' => $chapters,
                'thumbnail_ms' => Thumbnail::of($plan->assembly)->milliseconds(),
                // What tells later which sections have changed since.
                'sections' => $plan->sections(),
            ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
        );

        return [...array_keys($texts), 'transcript.docx'];
    }

    /** The film is not wanted any more. */
    public function forget(Export $export): void
    {
        foreach ([...array_keys(SidecarFile::kinds()), SidecarFile::LINES] as $kind) {
            $this->media->delete(SidecarFile::path($export, $kind));
        }
    }

    /**
     * @param  list<Caption>  $captions
     * @return array<string, string> text of each, by a key of SidecarFile::kinds(); without captions where nothing is said
     */
    private static function texts(FilmPlan $plan, Lesson $lesson, array $captions): array
    {
        $translated = [];
        foreach ($plan->translations as $language => $known) {
            $own = Translations::captions($captions, $known);
            $translated += $own === [] ? [] : [CaptionLanguage::file($language) => TimedText::webVtt($own)];
        }

        return ($captions === [] ? [] : [
            'captions.vtt' => TimedText::webVtt($captions),
            'captions.srt' => TimedText::subRip($captions),
        ]) + $translated + [
            'chapters.vtt' => TimedText::chapters($plan->assembly->chapters()),
            'chapters.txt' => TimedText::chapterList($plan->assembly->chapters()),
            'transcript.txt' => Transcript::of($lesson->title, $plan->assembly, $plan->texts),
            'transcript.html' => view('film.transcript', [
                'title' => $lesson->title,
                'language' => $plan->language->value,
                'chapters' => Transcript::chapters($plan->assembly, TimedLines::of($plan->assembly, $plan->texts)),
            ])->render(),
            'script.md' => $lesson->script,
        ];
    }

    /**
     * @param  list<TimedLine>  $said
     * @return string path of a draft
     */
    private function docx(string $title, FilmPlan $plan, array $said): string
    {
        $archive = new Archive($this->media->draft('docx'));
        $paragraphs = [DocxParagraph::title($title)];
        foreach (Transcript::chapters($plan->assembly, $said) as $chapter) {
            $paragraphs[] = DocxParagraph::heading("{$chapter->title} ({$chapter->from->clock()})");
            if ($chapter->lines !== []) {
                $paragraphs[] = DocxParagraph::plain($chapter->text());
            }
        }
        foreach (TranscriptDocx::parts($paragraphs) as $name => $content) {
            $archive->addText($name, $content);
        }

        return $archive->close();
    }
}
