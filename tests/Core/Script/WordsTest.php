<?php

declare(strict_types=1);

namespace Tests\Core\Script;

use OpenReel\Core\Deck\SlideTies;
use OpenReel\Core\Script\LayoutCue;
use OpenReel\Core\Script\SourceMap;
use OpenReel\Core\Script\Words;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class WordsTest extends TestCase
{
    public function test_case_punctuation_and_white_space_do_not_count(): void
    {
        self::assertSame(Words::key('Find the day.'), Words::key("find  THE\nday!"));
        self::assertSame(Words::key("don't"), Words::key('Don’t.'));
        self::assertNotSame(Words::key('Find the day.'), Words::key('Find the days.'));
        self::assertNotSame(Words::key('🌊'), Words::key('🚣'));
        self::assertSame(['4.8', 'metres', 'öl'], Words::of('4.8 metres: Öl!'));
        self::assertSame([], Words::of('  '));
    }

    public function test_likeness_is_twice_the_shared_words_against_all(): void
    {
        self::assertSame(1.0, Words::likeness(['a', 'b'], ['b', 'a']));
        self::assertSame(0.0, Words::likeness(['a'], ['b']));
        self::assertSame(0.8, Words::likeness(['a', 'b'], ['a', 'b', 'c']));
        self::assertSame(0.5, Words::likeness(['a', 'a'], ['a', 'b']));
        self::assertSame(1.0, Words::likeness([], []));
    }

    #[TestWith(['tides', 'tide'])]
    #[TestWith(['boxes', 'box'])]
    #[TestWith(['rowing', 'row'])]
    #[TestWith(['glass', 'glass'])]
    #[TestWith(['was', 'was'])]
    #[TestWith(['curved', 'curv'])]
    public function test_endings_are_taken_off(string $word, string $stem): void
    {
        self::assertSame($stem, SlideTies::stem($word));
    }

    public function test_places_are_counted_as_browsers_count(): void
    {
        $text = 'a🌊é|b';
        $map = new SourceMap($text);

        self::assertSame([0, 1, 3, 4, 6], array_map($map->utf16(...), [0, 1, 5, 7, 9]));
        self::assertSame(1, $map->utf16(1), 'also going back');
        self::assertSame(3, (new SourceMap('plain'))->utf16(3));
    }

    public function test_a_layout_says_part_of_it_and_the_rest_comes_from_elsewhere(): void
    {
        $own = LayoutCue::parse('top left');
        $style = LayoutCue::parse('camera alone, bottom right, small');

        self::assertSame('camera alone, top left, small', $own?->over($style ?? new LayoutCue)->write());
        self::assertSame('', (new LayoutCue)->write());
        self::assertNull(LayoutCue::parse('top left, purple'));
        self::assertNull(LayoutCue::parse(''));
    }
}
