<?php

declare(strict_types=1);

namespace App\Actions;

use App\Media\MediaStore;
use App\Media\SlideMaker;
use OpenReel\Core\Assembly\CardSource;
use OpenReel\Core\Assembly\SlideSource;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Script\Section;
use OpenReel\Core\Style\CardDrawing;
use OpenReel\Core\Style\HouseStyle;

/** Cards as pictures: drawn once for each wording and style, and shown by preview and export alike. */
final class CardPicture
{
    public function __construct(private readonly SlideMaker $slides, private readonly MediaStore $media)
    {
    }

    public function of(Section $section, FrameSize $frame, HouseStyle $style): ?CardSource
    {
        $card = $section->card();
        if ($card === null) {
            return null;
        }
        $hash = $this->draw(self::drawing($section, $frame, $style)->svg());

        return new CardSource(new SlideSource($hash, Shape::of($frame->width, $frame->height), $hash), $card->length);
    }

    /** The heading is the card's title; its paragraphs, or the presenter's name when there are none, stand below. */
    public static function drawing(Section $section, FrameSize $frame, HouseStyle $style): CardDrawing
    {
        $rows = [];
        foreach ($section->lines as $line) {
            $rows[$line->paragraph][] = $line->text;
        }
        $text = implode("\n", array_map(fn (array $lines): string => implode(' ', $lines), $rows));

        return CardDrawing::of($frame, $style, $section->heading, $text === '' ? $style->text('presenter') : $text);
    }

    public function path(string $hash): string
    {
        return "cards/{$hash}.png";
    }

    /** @return string what the picture is called: a hash of the drawing */
    public function draw(string $svg): string
    {
        $hash = hash('sha256', CardDrawing::RECIPE.$svg);
        if (! $this->media->exists($this->path($hash))) {
            $draft = $this->media->draft('png');
            $this->slides->draw($svg, $draft);
            $this->media->settle($draft, $this->path($hash));
        }

        return $hash;
    }
}
