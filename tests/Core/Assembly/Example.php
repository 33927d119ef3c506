<?php

declare(strict_types=1);

namespace Tests\Core\Assembly;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\PictureChoice;
use OpenReel\Core\Assembly\SectionSource;
use OpenReel\Core\Assembly\SlideSource;
use OpenReel\Core\Assembly\TakeSource;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Time\FrameRate;
use OpenReel\Core\Time\Span;
use OpenReel\Core\Time\Tick;

/** Small lessons for tests. */
final class Example
{
    /** @param  list<array{0: string, 1: array{int, int}|null}>  $sections  heading, and ticks used from and until */
    public static function assembly(array $sections, int $fps = 25): Assembly
    {
        return Assembly::of(FrameSize::of(1280, 720), FrameRate::of($fps), array_map(
            fn (array $s, int $i): SectionSource => self::section("s{$i}", $s[0], $s[1]),
            $sections, array_keys($sections),
        ));
    }

    /** @param  array{int, int}|null  $used */
    public static function section(string $id, string $heading, ?array $used, Layout $layout = Layout::SlideWithInset, ?Shape $camera = null): SectionSource
    {
        $take = $used === null ? null : new TakeSource(
            "take-{$id}", 1, Span::between(Tick::of($used[0]), Tick::of($used[1])), $camera ?? Shape::of(640, 480), "media-{$id}", "sound-{$id}", -20.0,
        );

        return new SectionSource($id, $heading, new PictureChoice($layout, new Inset, new SlideSource("slide-{$id}", Shape::of(1600, 900), "slide-{$id}")), $take === null ? [] : [$take]);
    }
}
