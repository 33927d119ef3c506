<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Colour;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Script\BackgroundCue;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Style\BackdropDrawing;
use OpenReel\Core\Style\HouseStyle;

/** What lies behind stage and camera. */
final readonly class Backdrops
{
    public function __construct(private CuedDeck $deck, private HouseStyle $style, private FrameSize $frame)
    {
    }

    /** As the house style has it; null is the ground alone. */
    public function usual(): ?Still
    {
        return BackdropDrawing::usual($this->style, $this->frame)?->still();
    }

    /**
     * What lies there behind a cue.
     *
     * @param  Still|null  $now  what lay there before: it stays where the cue names nothing that there is
     */
    public function behind(Cue $cue, ?Still $now): ?Still
    {
        $background = BackgroundCue::parse($cue->value);
        if ($background === null) {
            return $now;
        }
        if ($background->isUsual) {
            return $this->usual();
        }
        $slide = $background->slide === null ? null : $this->deck->named($background->slide)?->still;

        return $slide !== null
            ? new Still(StillKind::Backdrop, $slide->id, $slide->shape, $slide->hash)
            : $this->drawn($background)?->still() ?? $now;
    }

    /** @return string|null SVG drawing of what a cue shows; null where it is a slide, or as usual */
    public function drawing(Cue $cue): ?string
    {
        $background = BackgroundCue::parse($cue->value);

        return $background === null ? null : $this->drawn($background)?->svg();
    }

    private function drawn(BackgroundCue $cue): ?BackdropDrawing
    {
        $ground = $this->style->colours->ground;
        $named = $cue->colour === null ? null : Colour::of($this->style->colours->named($cue->colour));

        return match (true) {
            $cue->isUsual, $cue->slide !== null => null,
            $cue->isGradient => new BackdropDrawing($ground, $named ?? $this->style->colours->accent, $this->frame),
            default => new BackdropDrawing($named ?? $ground, null, $this->frame),
        };
    }
}
