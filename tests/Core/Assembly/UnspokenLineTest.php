<?php

declare(strict_types=1);

namespace Tests\Core\Assembly;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\CuedSlide;
use OpenReel\Core\Assembly\CueTimeline;
use OpenReel\Core\Assembly\LinePlace;
use OpenReel\Core\Assembly\MusicCueAt;
use OpenReel\Core\Assembly\MusicPlan;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\Shot;
use OpenReel\Core\Assembly\SpeedCueAt;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\WordPlace;
use OpenReel\Core\Sound\MusicTrack;
use OpenReel\Core\Style\HouseStyle;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Cues before and in a line that nobody has spoken yet: whatever they are, they take effect with the next that somebody has. */
final class UnspokenLineTest extends TestCase
{
    /** Of three lines the second is not spoken; the third begins after two seconds. */
    private const TICKS = ['a' => 0, 'c' => 96_000];

    #[TestWith(['[layout: slide alone]'])]
    #[TestWith(['[slide: 2]'])]
    #[TestWith(['[zoom: 50 25 50]'])]
    #[TestWith(['[name: Wenna Trevorrow, 1 s]'])]
    #[TestWith(['[keys: Ctrl+S]'])]
    #[TestWith(['[emphasis: box 10 10 20 20]'])]
    #[TestWith(['[emphasis: box 10 10 20 20, 0.4 s]'])]
    public function testItIsSeenWithTheNextLineThatIsSpoken(string $cue): void
    {
        foreach (["[slide: 1] Aaaa. {$cue} Bbbb bbbb. Cccc.", "[slide: 1] Aaaa. Bbbb {$cue} bbbb. Cccc."] as $text) {
            [$source] = $this->section($text);
            $film = Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [$source]);
            $offsets = array_map(fn (Shot $s): int => $s->offset, $film->segments[0]->shots);
            self::assertSame([0, 50], array_slice($offsets, 0, 2), $text);
        }
    }

    public function testMusicAndSpeedAreWhereTheOthersAre(): void
    {
        [$source, $script] = $this->section('[slide: 1] Aaaa. [music: Slack water] [speed: 4 x] Bbbb bbbb. Cccc.');
        $film = Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [$source]);
        self::assertSame(50, MusicPlan::of($film->segments, [$source], FrameRate::of(25))[0]->from);
        [$cued] = SpeedCueAt::where(
            SpeedCueAt::in($script->sections[0], ['a', 'b', 'c']), CueTimeline::of($source->lines, $source->passages),
        );
        self::assertSame(['c', 0.0], [$cued->line, $cued->within]);
    }

    public function testBehindTheLastThatIsSpokenTheyStayWhereTheyAre(): void
    {
        $places = CueTimeline::of(['a', 'b', 'c', 'd'], [$this->passage()]);
        self::assertEquals([new LinePlace('c', 0.0), new LinePlace('a', 0.5), new LinePlace('d', 0.5)], [
            $places->at('b', 0.7), $places->at('a', 0.5), $places->at('d', 0.5),
        ]);
        $comesBy = fn (int $line): bool => $places->comesBy($this->passage(), new WordPlace($line + 1, 0.5));
        self::assertSame([true, true, true, false, false], array_map($comesBy, [0, 1, 2, 3, 9]));
        $moment = fn (?string $line, float $within): ?int => $places->momentIn($this->passage(), $line, $within)?->count;
        self::assertSame([$moment('c', 0.0), null], [$moment('b', 0.7), $moment('d', 0.5)]);
        self::assertSame($this->passage()->span->until->count, $moment(null, 0.0), 'behind the last line');
    }

    /** @return array{SectionInput, Script} */
    private function section(string $text): array
    {
        $frame = FrameSize::of(1280, 720);
        $script = Script::parse("## A\n\n{$text}\n");
        $deck = [new CuedSlide('1', Example::slide('one')), new CuedSlide('2', Example::slide('two'))];
        $cues = new PictureCues($script, $deck, HouseStyle::of([]), $frame);
        $lines = ['a', 'b', 'c'];
        $seen = $cues->of($script->sections[0], $lines);
        [$opening, $changes] = [$seen->opening, $seen->changes];
        $beds = [new MusicTrack('Slack water', str_repeat('0', 64), 48_000 * 60, -20.0)];

        return [new SectionInput(
            's', 's', $opening, [$this->passage()], $changes, lines: $lines,
            overlays: $cues->overlays($script->sections[0], $lines), emphases: $cues->emphases($script->sections[0]),
            music: MusicCueAt::in($script->sections[0], $beds),
        ), $script];
    }

    private function passage(): Passage
    {
        $take = Example::take('t', [0, 192_000], self::TICKS, Shape::of(1600, 900));

        return new Passage($take, Example::span(0, 192_000), ['a', 'c']);
    }
}
