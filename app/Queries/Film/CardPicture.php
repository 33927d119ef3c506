<?php

declare(strict_types=1);

namespace App\Queries\Film;

use App\Media\FiberPool;
use App\Media\MediaStore;
use App\Media\SlideMaker;
use App\Models\Lesson;
use App\Queries\Lessons\LessonStyle;
use OpenReel\Core\Assembly\CardSource;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Script\CardCue;
use OpenReel\Core\Script\CardKind;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Style\CardDrawing;
use OpenReel\Core\Style\DraftMark;
use OpenReel\Core\Style\HouseStyle;

/**
 * Cards, pages of the board, key caps and the mark of a draft as pictures: drawn once for each wording and style, in the
 * background, and shown by preview and export alike.
 */
final class CardPicture
{
    /** Seconds: a question that stands longer begins to count later. */
    private const MOST_COUNTED = 60;

    public function __construct(private readonly SlideMaker $slides, private readonly MediaStore $media)
    {
    }

    /** What a section's card is, whether its picture is drawn already or not; null when the section is no card. */
    public static function of(ScriptSection $section, FrameSize $frame, HouseStyle $style): ?CardSource
    {
        $card = $section->card();
        if ($card === null) {
            return null;
        }
        $stills = array_map(
            fn (string $svg): Still => Still::drawn(StillKind::Card, $svg, Shape::of($frame->width, $frame->height)),
            self::drawings($section, $card, $frame, $style),
        );

        return new CardSource($stills[0], $card->length, count($stills) > 1 ? $stills : []);
    }

    /** @return non-empty-list<string> as SVG; of a question one a second */
    private static function drawings(ScriptSection $section, CardCue $card, FrameSize $frame, HouseStyle $style): array
    {
        $drawing = self::drawing($section, $frame, $style);
        if ($card->kind !== CardKind::Question) {
            return [$drawing->svg()];
        }
        $seconds = max(1, min(self::MOST_COUNTED, (int) ceil($card->length->seconds())));

        return array_map(fn (int $left): string => $drawing->counting($left, $seconds)->svg(), range($seconds, 1));
    }

    /**
     * Draws those of a lesson's pictures that are not there yet.
     *
     * @return int how many were drawn
     */
    public function drawAll(Lesson $lesson, ?FrameSize $frame = null): int
    {
        $style = LessonStyle::of($lesson);
        $frame ??= FrameSize::of($lesson->width, $lesson->height);
        $script = Script::parse($lesson->script);
        $drawings = [
            ...(new PictureCues($script, [], $style, $frame))->drawings(),
            (new DraftMark($frame, $style))->svg(),
        ];
        foreach ($script->sections as $section) {
            $card = $section->card();
            if ($card !== null) {
                array_push($drawings, ...self::drawings($section, $card, $frame, $style));
            }
        }
        $work = [];
        foreach ($drawings as $svg) {
            $path = self::path(Still::drawn(StillKind::Card, $svg, Shape::of(1, 1))->hash);
            if (! $this->media->exists($path)) {
                $work[$path] = fn () => $this->draw($svg, $path);
            }
        }
        FiberPool::run(array_values($work), (int) config('reel.render_slots'));

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

    /** The heading is the card's title; its paragraphs, or on the first and last card the presenter's name, stand below. */
    public static function drawing(ScriptSection $section, FrameSize $frame, HouseStyle $style): CardDrawing
    {
        $rows = [];
        foreach ($section->lines as $line) {
            $rows[$line->paragraph][] = $line->text;
        }
        $text = implode("\n", array_map(fn (array $lines): string => implode(' ', $lines), $rows));
        $kind = $section->card()->kind ?? CardKind::Opening;
        $signs = in_array($kind, [CardKind::Opening, CardKind::Closing], true);

        return CardDrawing::of($frame, $style, $section->heading, $text === '' && $signs ? $style->presenter : $text, $kind);
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
        $this->media->commit($draft, $path);
    }
}
