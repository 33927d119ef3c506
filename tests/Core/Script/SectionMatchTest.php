<?php

declare(strict_types=1);

namespace Tests\Core\Script;

use OpenReel\Core\Script\ChangedSection;
use OpenReel\Core\Script\SectionIdentity;
use OpenReel\Core\Script\SectionMatch;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SectionMatchTest extends TestCase
{
    /** Three sections: A says a1 a2 a3, B says b1 b2, C says nothing yet. D was removed earlier and said d1. */
    private const SECTION_OF = ['a1' => 'A', 'a2' => 'A', 'a3' => 'A', 'b1' => 'B', 'b2' => 'B', 'd1' => 'D', 'd2' => 'D'];

    /** @return iterable<string, array{list<array{string, list<string>}>, list<string|null>}> */
    public static function changes(): iterable
    {
        yield 'nothing changed' => [[['Tides', ['a1', 'a2', 'a3']], ['Boats', ['b1', 'b2']], ['', []]], ['A', 'B', 'C']];
        yield 'moved' => [[['Boats', ['b1', 'b2']], ['', []], ['Tides', ['a1', 'a2', 'a3']]], ['B', 'C', 'A']];
        yield 'heading changed' => [[['Ebb', ['a1', 'a2', 'a3']], ['Boats', ['b1', 'b2']], ['', []]], ['A', 'B', 'C']];
        yield 'text changed' => [[['Tides', []], ['Boats', ['b1', 'b2']], ['', []]], ['A', 'B', 'C']];
        yield 'heading and text changed in place' => [[['Mud', []], ['Boats', ['b1', 'b2']], ['', []]], ['A', 'B', 'C']];
        yield 'split: most lines keep the section' => [
            [['Tides', ['a1']], ['More tides', ['a2', 'a3']], ['Boats', ['b1', 'b2']], ['', []]],
            ['A', null, 'B', 'C'],
        ];
        yield 'split without a heading' => [
            [['', ['a1']], ['', ['a2', 'a3']], ['Boats', ['b1', 'b2']], ['', []]],
            [null, 'A', 'B', 'C'],
        ];
        yield 'merged' => [[['Tides', ['a1', 'a2', 'a3', 'b1', 'b2']], ['', []]], ['A', 'C']];
        yield 'merged under the smaller one\'s heading' => [[['Boats', ['a1', 'a2', 'a3', 'b1']], ['', []]], ['A', 'C']];
        yield 'one put in' => [
            [['Tides', ['a1', 'a2', 'a3']], ['Mud', []], ['Boats', ['b1', 'b2']], ['', []]],
            ['A', null, 'B', 'C'],
        ];
        yield 'removed one comes back by its heading' => [
            [['Tides', ['a1', 'a2', 'a3']], ['Dinghies', []], ['Boats', ['b1', 'b2']], ['', []]],
            ['A', 'D', 'B', 'C'],
        ];
        yield 'removed one comes back by its lines' => [
            [['Tides', ['a1', 'a2', 'a3']], ['Punts', ['d1', 'd2']], ['Boats', ['b1', 'b2']], ['', []]],
            ['A', 'D', 'B', 'C'],
        ];
        yield 'a line of a removed one brings nothing back' => [
            [['Tides', ['a1', 'd1', 'a3']], ['Boats', ['b1', 'b2']], ['', []]],
            ['A', 'B', 'C'],
        ];
        yield 'the empty one gets its first heading' => [
            [['Tides', ['a1', 'a2', 'a3']], ['Boats', ['b1', 'b2']], ['Oars', []]],
            ['A', 'B', 'C'],
        ];
    }

    /**
     * @param  list<array{string, list<string>}>  $now
     * @param  list<string|null>  $ids
     */
    #[DataProvider('changes')]
    public function test_sections_are_found_again(array $now, array $ids): void
    {
        $known = [
            new SectionIdentity('A', 'Tides'),
            new SectionIdentity('B', 'Boats'),
            new SectionIdentity('C', ''),
            new SectionIdentity('D', 'Dinghies', true),
        ];

        self::assertSame(
            $ids,
            SectionMatch::ids(
                $known,
                self::SECTION_OF,
                array_map(fn (array $s): ChangedSection => new ChangedSection(...$s), $now),
            ),
        );
    }

    public function test_thousands_of_sections_with_one_name_stay_where_they_are(): void
    {
        $known = $of = $now = [];
        for ($i = 0; $i < 5_000; $i++) {
            $known[] = new SectionIdentity("s{$i}", 'Round', false);
            $of["l{$i}"] = "s{$i}";
            $now[] = new ChangedSection('Round', ["l{$i}"]);
        }
        // One new section is put before all of them.
        array_unshift($now, new ChangedSection('Begin', []));

        self::assertSame(
            [null, ...array_map(fn (int $i): string => "s{$i}", range(0, 4_999))],
            SectionMatch::ids($known, $of, $now),
        );
    }
}
