<?php

declare(strict_types=1);

namespace Tests\Core\Assembly;

use OpenReel\Core\Assembly\CuedSlide;
use OpenReel\Core\Assembly\LayoutMove;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Assembly\ShotStyle;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\InsetPlace;
use OpenReel\Core\Picture\InsetSize;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\LogoPlacement;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Picture\Zoom;
use OpenReel\Core\Render\ShotCommand;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Style\HouseStyle;
use PHPUnit\Framework\TestCase;
use Tests\Core\MadeUp;
use Tests\Core\Recorded;

/** Ways from one picture to another, also where one begins before another has ended; and cues given while a take rolls. */
final class RecordedMoveTest extends TestCase
{
    public function test_ways_are_what_they_were(): void
    {
        $made = new MadeUp(26);
        $frame = FrameSize::of(1280, 720);
        $answers = [];
        foreach (range(1, 120) as $round) {
            $frames = $made->between(2, 30);
            $first = LayoutMove::of(
                $this->picture($made, $frame), $this->picture($made, $frame), $frames, $made->one([0, $made->between(0, $frames - 1)]),
            );
            $then = LayoutMove::of($first, $this->picture($made, $frame), $frames, $made->one([0, 0, $made->between(0, $frames - 1)]));
            $spec = new ShotSpec($made->oneIn(2) ? $first : $then, FrameRate::of(25), $frames);
            $answers["way {$round}"] = [$first->key(), $then->key()];
            $answers["way {$round}, command"] = ShotCommand::arguments(
                $frames > 6 && $made->oneIn(2) ? $spec->part($made->between(0, 3), $made->between(1, 3)) : $spec, 'out',
            );
        }
        Recorded::same('ways-of-layouts', $answers);
    }

    public function test_cues_given_while_a_take_rolls_change_what_they_changed(): void
    {
        $made = new MadeUp(27);
        $slides = [new CuedSlide('One', Example::slide('one')), new CuedSlide('Two', Example::slide('two'))];
        $answers = [];
        foreach (range(1, 60) as $round) {
            $script = Script::parse("## A\n\n[slide: One] {$made->text(2)} [board: 2] More.");
            $cues = new PictureCues($script, $slides, HouseStyle::of(['layout' => 'slide-with-inset']), FrameSize::of(1280, 720));
            $ids = array_map(fn (int $n): string => "l{$n}", array_keys($script->sections[0]->lines));
            $seen = $cues->of($script->sections[0], $ids);
            $given = Cue::parse(
                $made->one(['[board]', '[board: 3]', '[slide: Two]', '[slide: Nowhere]', '[screen: x]', '[camera alone]', $made->cue()]),
                0,
            ) ?? self::fail('no cue');
            $choice = $cues->with($made->oneIn(3) ? new ShotStyle(Layout::SideBySide, new Inset(), null) : $seen->opening, $given);
            $answers["cue {$round}, {$given->source()}"] = [$choice, $seen->changes];
        }
        Recorded::same('given-cues', $answers);
    }

    private function picture(MadeUp $made, FrameSize $frame): Picture
    {
        $crop = new Crop($made->between(0, 50) / 100, $made->between(0, 50) / 100, 0.4, 0.4);

        return Picture::of(
            $frame, $made->one(Layout::cases()),
            new Inset(
                $made->one(Corner::cases()), $made->one(InsetSize::cases()),
                place: $made->oneIn(4) ? InsetPlace::of(0.1, 0.2, 0.3) : null, hasShadow: $made->oneIn(2),
            ),
            $made->one(
                [
                    Example::slide('one'), Example::slide('tall', Shape::of(500, 900)),
                    TrackAt::live(TrackKind::Screen, Shape::of(1920, 1080)), null,
                ],
            ),
            $made->oneIn(6) ? null : TrackAt::live(TrackKind::Camera, Shape::of(1280, 720)),
            $made->oneIn(4) ? new LogoPlacement('logo', Shape::of(300, 100)) : null, '1B2430', [],
            $made->oneIn(3) ? new Zoom($crop, $made->one([0, 9])) : new Zoom(), $made->oneIn(3) ? Example::slide('ground') : null,
        );
    }
}
