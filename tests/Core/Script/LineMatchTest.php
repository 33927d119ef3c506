<?php

declare(strict_types=1);

namespace Tests\Core\Script;

use OpenReel\Core\Script\LineIdentity;
use OpenReel\Core\Script\LineMatch;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LineMatchTest extends TestCase
{
    private const BEFORE = [
        'a' => 'Find the day.',
        'b' => 'Find the first high water.',
        'c' => 'And again.',
        'd' => 'Read the height.',
        'e' => 'And again.',
    ];

    /** @return iterable<string, array{list<string>, list<string|null>}> */
    public static function changes(): iterable
    {
        [$a, $b, $c, $d, $e] = array_values(self::BEFORE);
        yield 'nothing changed' => [[$a, $b, $c, $d, $e], ['a', 'b', 'c', 'd', 'e']];
        yield 'only punctuation and case' => [['find the day!', $b, 'And again', $d, $e], ['a', 'b', 'c', 'd', 'e']];
        yield 'a line put in' => [[$a, 'Mind the mud.', $b, $c, $d, $e], ['a', null, 'b', 'c', 'd', 'e']];
        yield 'a line taken out' => [[$a, $c, $d, $e], ['a', 'c', 'd', 'e']];
        yield 'one of two equal lines taken out' => [[$a, $b, $d, $e], ['a', 'b', 'd', 'e']];
        yield 'equal lines added' => [[$a, $b, $c, $c, $d, $e], ['a', 'b', 'c', null, 'd', 'e']];
        yield 'a line rewritten' => [[$a, 'Then find the second high water.', $c, $d, $e], ['a', 'b', 'c', 'd', 'e']];
        yield 'a line replaced by another thought' => [[$a, 'Mind the mud.', $c, $d, $e], ['a', null, 'c', 'd', 'e']];
        yield 'two lines swapped' => [[$b, $a, $c, $d, $e], ['b', 'a', 'c', 'd', 'e']];
        yield 'a line moved to the end' => [[$b, $c, $d, $e, $a], ['b', 'c', 'd', 'e', 'a']];
        yield 'a line split in two' => [[$a, $b, $c, 'Read the', 'height aloud.', $e], ['a', 'b', 'c', 'd', null, 'e']];
        yield 'two lines joined' => [['Find the day and find the first high water.', $c, $d, $e], ['b', 'c', 'd', 'e']];
        yield 'a line moved and rewritten' => [[$b, $c, $d, $e, 'Find the right day.'], ['b', 'c', 'd', 'e', 'a']];
        yield 'two lines rewritten side by side' => [
            ['Find your day.', 'Look for the first high water.', $c, $d, $e],
            ['a', 'b', 'c', 'd', 'e'],
        ];
        yield 'everything new' => [['Mind.', 'The mud.'], [null, null]];
        yield 'everything gone' => [[], []];
    }

    /**
     * @param  list<string>  $now
     * @param  list<string|null>  $ids
     */
    #[DataProvider('changes')]
    public function test_lines_are_found_again(array $now, array $ids): void
    {
        self::assertSame($ids, LineMatch::ids($this->lines(self::BEFORE), [], $now));
    }

    public function test_a_removed_line_comes_back_but_never_takes_anothers_place(): void
    {
        $removed = $this->lines(['y' => 'Mind the mud.', 'z' => 'Find the day.', 'x' => 'Mind the mud.']);

        self::assertSame(
            ['a', 'y', 'z'],
            LineMatch::ids($this->lines(['a' => 'Find the day.']), $removed, ['Find the day.', 'Mind the mud.', 'Find the day.']),
        );
        self::assertSame([null], LineMatch::ids([], $removed, ['Mind the mud here.']));
    }

    public function test_lines_of_signs_alone_are_told_apart(): void
    {
        self::assertSame(['b', 'a'], LineMatch::ids($this->lines(['a' => '🌊', 'b' => '🚣']), [], ['🚣', '🌊']));
    }

    public function test_other_scripts_match_too(): void
    {
        self::assertSame(
            ['a', 'b'],
            LineMatch::ids(
                $this->lines(['a' => 'המים גבוהים.', 'b' => 'Öl läuft aus.']),
                [],
                ['המים גבוהים!', 'Öl läuft nicht aus.'],
            ),
        );
    }

    public function test_a_whole_section_moved_keeps_every_line(): void
    {
        $before = $now = [];
        for ($i = 0; $i < 200; $i++) {
            $before["l{$i}"] = "Line number {$i} says {$i} times nothing.";
        }
        $ids = array_keys($before);
        $order = [...array_slice($ids, 150), ...array_slice($ids, 0, 150)];
        foreach ($order as $id) {
            $now[] = $before[$id];
        }

        self::assertSame($order, LineMatch::ids($this->lines($before), [], $now));
    }

    /**
     * @param  array<string, string>  $texts
     * @return list<LineIdentity>
     */
    private function lines(array $texts): array
    {
        return array_map(fn (string $id, string $text): LineIdentity => new LineIdentity($id, 's', $text), array_keys($texts), $texts);
    }

    public function test_a_long_text_rewritten_finds_the_lines_that_were_only_edited(): void
    {
        // Three thousand lines of which every third is edited, every third stays and every third is new.
        $known = $texts = $meant = [];
        for ($i = 0; $i < 3000; $i++) {
            $known[] = new LineIdentity("l{$i}", 's', "At station {$i} the tide stands {$i} fathoms over the old sill number {$i}.");
            $texts[] = [
                'Something else number '.$i * 7 .' altogether.',
                "At station {$i} the tide stands {$i} fathoms over the new sill number {$i}.",
                $known[$i]->text,
            ][$i % 3];
            $meant[] = $i % 3 === 0 ? null : "l{$i}";
        }

        self::assertSame($meant, LineMatch::ids($known, [], $texts));
    }

    public function test_ten_thousand_lines_replaced_are_told_apart_in_bounded_work(): void
    {
        $line = fn (int $seed, int $i): string => implode(
            ' ',
            array_map(fn (int $k): string => 'w'.($i * 31 + $k * $k * $seed) % 97, range(1, 8)),
        );
        $known = array_map(fn (int $i): LineIdentity => new LineIdentity("l{$i}", 's', $line(3, $i)), range(0, 9_999));
        $ids = LineMatch::ids($known, [], array_map(fn (int $i): string => $line(7, $i), range(0, 9_999)));

        self::assertCount(10_000, $ids);
        $given = array_filter($ids);
        self::assertSame($given, array_unique($given), 'no identity is given twice');
    }

    public function test_one_line_said_ten_thousand_times_keeps_its_order(): void
    {
        $known = array_map(fn (int $i): LineIdentity => new LineIdentity("l{$i}", 's', 'Pull.'), range(0, 9_999));
        $ids = LineMatch::ids($known, [], ['Now.', ...array_fill(0, 5_000, 'Pull.'), 'Rest.', ...array_fill(0, 4_999, 'Pull.')]);

        self::assertNull($ids[0]);
        self::assertNull($ids[5001]);
        self::assertCount(9_999, array_unique(array_filter($ids)));
    }
}
