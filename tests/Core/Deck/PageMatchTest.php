<?php

declare(strict_types=1);

namespace Tests\Core\Deck;

use OpenReel\Core\Deck\Page;
use OpenReel\Core\Deck\PageMatch;
use PHPUnit\Framework\TestCase;

final class PageMatchTest extends TestCase
{
    public function test_pages_are_found_by_their_words_wherever_they_went(): void
    {
        $old = [new Page('a', 'Spring tides 4.5 m'), new Page('b', 'Neap tides 2 m'), new Page('c', 'Before you launch')];
        $new = [
            new Page('x', 'Before you launch!'),
            new Page('y', 'Spring tides 4.6 m'),
            new Page('z', 'A new page'),
            new Page('w', 'Neap tides 2 m'),
        ];

        self::assertSame(['a' => 'y', 'b' => 'w', 'c' => 'x'], $this->sorted(PageMatch::newByOld($old, $new)));
    }

    public function test_what_is_gone_is_not_found(): void
    {
        self::assertSame([], PageMatch::newByOld([new Page('a', 'Spring tides')], [new Page('x', 'The canteen is closed')]));
        self::assertSame([], PageMatch::newByOld([], [new Page('x', 'Tides')]));
    }

    public function test_pictures_are_found_by_their_look(): void
    {
        $light = array_fill(0, 64, 220);
        $dark = array_fill(0, 64, 30);
        $split = [...array_fill(0, 32, 220), ...array_fill(0, 32, 30)];

        self::assertSame(
            ['a' => 'y', 'b' => 'x'],
            $this->sorted(
                PageMatch::newByOld(
                    [new Page('a', '', $light), new Page('b', '', $split)],
                    [new Page('x', '', $split), new Page('y', '', array_fill(0, 64, 210)), new Page('z', '', $dark)],
                ),
            ),
        );
    }

    public function test_equal_pages_keep_their_order(): void
    {
        $old = [new Page('a', 'Questions'), new Page('b', 'Questions')];

        self::assertSame(
            ['a' => 'x', 'b' => 'y'],
            $this->sorted(PageMatch::newByOld($old, [new Page('x', 'Questions'), new Page('y', 'Questions')])),
        );
    }

    public function test_words_weigh_more_than_the_same_house_style(): void
    {
        $look = array_fill(0, 64, 200);

        self::assertLessThan(0.6, PageMatch::likeness(new Page('a', 'Spring tides', $look), new Page('b', 'Neap ranges', $look)));
        self::assertSame(1.0, PageMatch::likeness(new Page('a', 'Spring tides', $look), new Page('b', 'spring TIDES.', $look)));
    }

    /**
     * @param  array<string, string>  $found
     * @return array<string, string>
     */
    private function sorted(array $found): array
    {
        ksort($found);

        return $found;
    }
}
