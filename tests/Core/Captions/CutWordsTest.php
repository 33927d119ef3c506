<?php

declare(strict_types=1);

namespace Tests\Core\Captions;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\FilmCaptions;
use OpenReel\Core\Coverage\Coverage;
use OpenReel\Core\Coverage\CoverageSection;
use OpenReel\Core\Coverage\UsedPart;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\Verdict;
use OpenReel\Core\Take\WordAnchor;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Core\Assembly\Example;

/** Words are cut out of a take wherever somebody likes: captions say the others, in their order, and nothing else. */
final class CutWordsTest extends TestCase
{
    private const TEXTS = [
        'a' => 'The blade goes into the water.',
        'b' => 'Hold the handle with both hands, and wait until the boat runs.',
        'c' => 'Then row on!',
    ];

    public function testWhatIsSaidBehindACutStaysInTheCaptions(): void
    {
        self::assertSame(
            'The blade water. Hold the handle with both hands, and wait until the boat runs. Then row on!',
            $this->captions([[2, 5]]),
        );
        self::assertSame('blade into Hold row on!', $this->captions([[0, 1], [2, 3], [4, 6], [7, 19]]));
    }

    #[DataProvider('seeds')]
    public function testWhateverIsCutTheOthersAreSaid(int $seed): void
    {
        $random = new Randomizer(new Mt19937($seed));
        $words = explode(' ', implode(' ', self::TEXTS));
        $count = count($words);
        $cuts = [];
        for ($at = $random->getInt(0, 4); $at < $count - 1; $at = $until + $random->getInt(1, 6)) {
            $cuts[] = [$at, $until = min($count, $at + $random->getInt(1, 4))];
        }
        foreach ($cuts as [$from, $until]) {
            for ($n = $from; $n < $until; $n++) {
                unset($words[$n]);
            }
        }
        $others = implode(' ', $words);
        // Edges go to a quiet place near by: a little before or behind where a word begins.
        $said = $this->captions($cuts, fn (): int => $random->getInt(-1500, 1500));
        self::assertSame($others, $said, (string) json_encode($cuts));
    }

    /** @return array<int, array{int}> */
    public static function seeds(): array
    {
        return array_map(fn (int $n): array => [$n], range(1, 60));
    }

    /**
     * @param  list<array{int, int}>  $cuts  from which word until before which
     * @param  (callable(): int)|null  $edge  by how much an edge lies elsewhere, in ticks
     */
    private function captions(array $cuts, ?callable $edge = null): string
    {
        [$starts, $lines, $reached] = [[], [], []];
        $tick = 14_400;
        foreach (self::TEXTS as $id => $text) {
            preg_match_all('/\S+/', $text, $found, PREG_OFFSET_CAPTURE);
            foreach ($found[0] as [$word, $offset]) {
                $starts[] = $tick;
                $offset === 0 ? $lines[$id] = Tick::of($tick) : $reached[] = new WordAnchor(
                    $id, round($offset / strlen($text), 4), Tick::of($tick),
                );
                $tick += 7_200 + 1_800 * strlen($word);
            }
        }
        $starts[] = $end = $tick;
        $at = fn (int $word): int => max(0, min($end, $starts[$word] + ($edge === null ? 0 : $edge())));
        $used = Spans::minus(
            [Example::span(0, $end)], Spans::ofPairs(array_map(fn (array $c): array => [$at($c[0]), $at($c[1])], $cuts)),
        );
        $known = Example::covering('t', 's', 1, Verdict::Kept, 1, $used, array_map(
            fn (string $id, string $text): SpokenLine => new SpokenLine($id, $text), array_keys(self::TEXTS), self::TEXTS,
        ), $lines);
        $take = Example::view(
            't', 1, Example::take('t', [0, $end])->content->tracks,
            Example::span($used[0]->from->count, $used[count($used) - 1]->until->count), $lines, anchors: $reached,
        );
        $parts = Coverage::of([new CoverageSection('s', self::TEXTS)], [$known])->sections['s']->parts;
        $passages = array_map(
            fn (UsedPart $p): Passage => new Passage($take, $p->span, $p->lines, goesOn: $p->goesOn), $parts,
        );
        $source = Example::section('s', 'One', [0, $end]);
        $section = new SectionInput('s', 'One', $source->opening, $passages, lines: array_keys(self::TEXTS));
        $film = Assembly::of(FrameSize::of(1280, 720), FrameRate::of(50), [$section]);
        $captions = FilmCaptions::of($film, self::TEXTS);

        return implode(' ', array_map(fn (Caption $c): string => implode(' ', $c->rows), $captions));
    }
}
