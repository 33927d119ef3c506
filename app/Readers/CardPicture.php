<?php

declare(strict_types=1);

namespace App\Readers;

use App\Media\MediaStore;
use App\Media\SlideMaker;
use App\Media\Workshop;
use App\Models\Lesson;
use OpenReel\Core\Assembly\CardSource;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\Section;
use OpenReel\Core\Style\CardDrawing;
use OpenReel\Core\Style\DraftMark;
use OpenReel\Core\Style\HouseStyle;

/**
 * Cards, pages of the board, key caps and the mark of a draft as pictures: drawn once for each wording and style, in the
 * background, and shown by preview and export alike.
 */
final class CardPicture
{
    public function __construct(private readonly SlideMaker $slides, private readonly MediaStore $media)
    {
    }

    /** What a section's card is, whether its picture is drawn already or not; null when the section is no card. */
    public static function of(Section $section, FrameSize $frame, HouseStyle $style): ?CardSource
    {
        $card = $section->card();
        if ($card === null) {
            return null;
        }
        $svg = self::drawing($section, $frame, $style)->svg();

        return new CardSource(Still::drawn(StillKind::Card, $svg, Shape::of($frame->width, $frame->height)), $card->length);
    }

    /**
     * Draws those of a lesson's pictures that are not there yet.
     *
     * @return int how many were drawn
     */
    public function drawAll(Lesson $lesson): int
    {
        $style = LessonStyle::of($lesson);
        $frame = FrameSize::of($lesson->width, $lesson->height);
        $script = Script::read($lesson->script);
        $drawings = [
            ...(new PictureCues($script, [], $style, $frame))->drawings(),
            (new DraftMark($frame, $style))->svg(),
        ];
        foreach ($script->sections as $section) {
            if ($section->card() !== null) {
                $drawings[] = self::drawing($section, $frame, $style)->svg();
            }
        }
        $work = [];
        foreach ($drawings as $svg) {
            $path = self::path(Still::drawn(StillKind::Card, $svg, Shape::of(1, 1))->hash);
            if (! $this->media->exists($path)) {
                $work[$path] = fn () => $this->draw($svg, $path);
            }
        }
        Workshop::run(array_values($work), (int) config('reel.render_slots'));

        return count($work);
    }

    /** @return string a picture that is kept nowhere, as PNG */
    public function sample(string $svg): string
    {
        $draft = $this->media->draft('png');
        try {
            $this->slides->draw($svg, $draft);

            return (string) file_get_contents($draft);
        } finally {
            @unlink($draft);
        }
    }

    /** The heading is the card's title; its paragraphs, or the presenter's name when there are none, stand below. */
    public static function drawing(Section $section, FrameSize $frame, HouseStyle $style): CardDrawing
    {
        $rows = [];
        foreach ($section->lines as $line) {
            $rows[$line->paragraph][] = $line->text;
        }
        $text = implode("\n", array_map(fn (array $lines): string => implode(' ', $lines), $rows));

        return CardDrawing::of($frame, $style, $section->heading, $text === '' ? $style->presenter : $text);
    }

    public function isDrawn(string $hash): bool
    {
        return $this->media->exists(self::path($hash));
    }

    /** @return string on the media disk */
    public static function path(string $hash): string
    {
        return "cards/{$hash}.png";
    }

    private function draw(string $svg, string $path): void
    {
        $draft = $this->media->draft('png');
        $this->slides->draw($svg, $draft);
        $this->media->settle($draft, $path);
    }
}
