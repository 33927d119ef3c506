<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\Archive;
use App\Media\FilmPlan;
use App\Media\MediaStore;
use App\Models\Export;
use App\Models\Lesson;
use OpenReel\Core\Assembly\Chapter;
use OpenReel\Core\Assembly\Thumbnail;
use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\CaptionLanguage;
use OpenReel\Core\Captions\TimedLine;
use OpenReel\Core\Captions\TimedLines;
use OpenReel\Core\Captions\TimedText;
use OpenReel\Core\Captions\Transcript;
use OpenReel\Core\Captions\TranscriptDocx;
use OpenReel\Core\Captions\Translations;

/** The files that go with a film: made when it is, so that they say what it says. */
final class Sidecars
{
    /** By the end of their name: what they are; beside these there are captions in other languages. */
    private const KINDS = [
        'captions.vtt' => 'text/vtt', 'captions.srt' => 'application/x-subrip', 'chapters.vtt' => 'text/vtt',
        'chapters.txt' => 'text/plain', 'transcript.txt' => 'text/plain',
        'transcript.html' => 'text/html', 'transcript.docx' => self::DOCX, 'script.md' => 'text/markdown',
        MakeThumbnail::KIND => 'image/jpeg', 'thumbnail-small.jpg' => 'image/jpeg', 'thumbnail-title.jpg' => 'image/jpeg',
        'sound.m4a' => 'audio/mp4', 'sound.mp3' => 'audio/mpeg',
    ];

    private const DOCX = 'application/vnd.openxmlformats-officedocument.wordprocessingml.document';

    /** What is said when, for the course site: nobody takes it away. */
    public const LINES = 'lines.json';

    public function __construct(private readonly MediaStore $media)
    {
    }

    /**
     * @param  list<Caption>  $captions
     * @return list<string> what was written, by a key of kinds()
     */
    public function write(Export $export, FilmPlan $plan, array $captions): array
    {
        $texts = self::texts($plan, $export->lesson, $captions);
        foreach ($texts as $kind => $text) {
            $this->media->write(self::path($export, $kind), $text);
        }
        $said = TimedLines::of($plan->assembly, $plan->texts);
        $this->media->settle($this->docx($export->lesson->title, $plan, $said), self::path($export, 'transcript.docx'));
        $lines = array_map(fn (TimedLine $l): array => $l->toArray(), $said);
        $chapters = array_map(
            fn (Chapter $c): array => ['title' => $c->title, 'from_ms' => $c->from->milliseconds()],
            $plan->assembly->chapters(),
        );
        $this->media->write(
            self::path($export, self::LINES),
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

    /** @return array<string, string> type by the end of the name */
    public static function kinds(): array
    {
        $translated = array_map(CaptionLanguage::file(...), array_keys(CaptionLanguage::NAMES));

        return self::KINDS + array_fill_keys($translated, 'text/vtt');
    }

    public static function mime(string $kind): string
    {
        $mime = self::kinds()[$kind];

        return preg_match('#^(image|audio|application/vnd)#', $mime) === 1 ? $mime : "{$mime}; charset=utf-8";
    }

    /** The film is not wanted any more. */
    public function forget(Export $export): void
    {
        foreach ([...array_keys(self::kinds()), self::LINES] as $kind) {
            $this->media->delete(self::path($export, $kind));
        }
    }

    /** @return string on the media disk */
    public static function path(Export $export, string $kind): string
    {
        return "lessons/{$export->lesson_id}/exports/{$export->id}-{$kind}";
    }

    /**
     * @param  list<Caption>  $captions
     * @return array<string, string> text of each, by a key of kinds(); without captions where nothing is said
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
        $paragraphs = [['style' => 'Title', 'text' => $title]];
        foreach (Transcript::chapters($plan->assembly, $said) as $chapter) {
            $paragraphs[] = ['style' => 'Heading1', 'text' => "{$chapter['title']} ({$chapter['at']})"];
            if ($chapter['lines'] !== []) {
                $paragraphs[] = ['style' => 'Normal', 'text' => implode(' ', array_column($chapter['lines'], 'text'))];
            }
        }
        foreach (TranscriptDocx::parts($paragraphs) as $name => $content) {
            $archive->addText($name, $content);
        }

        return $archive->close();
    }
}
