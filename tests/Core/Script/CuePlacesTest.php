<?php

declare(strict_types=1);

namespace Tests\Core\Script;

use OpenReel\Core\Script\BoardCue;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\CuePlaces;
use OpenReel\Core\Script\Keys;
use OpenReel\Core\Script\PlacedCue;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\WordPlace;
use PHPUnit\Framework\TestCase;

final class CuePlacesTest extends TestCase
{
    private const SCRIPT = "# Tides\n\n## One\n\n[slide] Six rows a day. High water comes twice, and so does low water.\n\n"
        ."## Two\n\nMore.\n";

    public function testCuesStandBeforeWordsAndTheRestStaysAsItIs(): void
    {
        $text = $this->written([0, 2, 0.0, '[layout: camera alone]'], [0, 2, 0.55, '[slide: Low]'], [1, 1, 0.0, '[board]']);

        self::assertSame(
            "# Tides\n\n## One\n\n[slide] Six rows a day. [layout: camera alone] High water comes twice, "
                .'[slide: Low] and so does '
                ."low water.\n\n## Two\n\n[board] More.\n",
            $text,
        );
    }

    public function testACueThatStandsThereIsNotWrittenTwice(): void
    {
        $once = $this->written([0, 2, 0.3, '[slide: Low]']);

        self::assertSame(
            $once,
            CuePlaces::write(Script::parse($once), [new PlacedCue(0, new WordPlace(2, 0.3), '[slide: Low]')]),
        );
    }

    public function testTwoAtOnePlaceStandInTheirOrder(): void
    {
        self::assertStringContainsString(
            '[slide: Low] [layout: slide alone] High water',
            $this->written([0, 2, 0.0, '[slide: Low]'], [0, 2, 0.0, '[layout: slide alone]']),
        );
    }

    public function testLinesThatAreGoneAreLeftOut(): void
    {
        self::assertSame(self::SCRIPT, $this->written([0, 9, 0.0, '[slide]'], [5, 1, 0.0, '[slide]']));
    }

    public function testBoardsAndKeysSayWhatTheyMean(): void
    {
        self::assertEquals(new BoardCue(), BoardCue::parse(''));
        self::assertEquals(new BoardCue(2, \OpenReel\Core\Picture\BoardPaper::Squared), BoardCue::parse('page 2, Squared'));
        self::assertNull(BoardCue::parse('0'));
        self::assertNull(BoardCue::parse('pink'));
        self::assertSame(['Ctrl', 'S'], Keys::parse('Ctrl+S'));
        self::assertSame(['Ctrl', '+'], Keys::parse('Ctrl++'));
        self::assertSame(['Shift', 'Page Down'], Keys::parse(' Shift +  Page Down '));
        self::assertSame([], Keys::parse(''));
        self::assertSame([], Keys::parse('a+b+c+d+e+f'));
        self::assertSame([], Keys::parse('a very long key with no name'));
    }

    public function testStageCuesAreRead(): void
    {
        $cues = Script::parse("## S\n\n[screen: the gauge] One. [Camera  Alone] Two. [keys: Ctrl+S] [board: 2]\n")->sections[0]
            ->cues;

        self::assertSame(
            [['screen', 'the gauge'], ['camera alone', ''], ['keys', 'Ctrl+S'], ['board', '2']],
            array_map(fn (Cue $c): array => [$c->kind->value, $c->value], $cues),
        );
        self::assertSame('[camera alone]', Cue::write(CueKind::CameraAlone));
        self::assertNotNull((new Cue(CueKind::Screen, '', 0, 0))->problem());
        self::assertNotNull((new Cue(CueKind::Board, 'blue', 0, 0))->problem());
        self::assertNotNull((new Cue(CueKind::Keys, '', 0, 0))->problem());
        self::assertNull((new Cue(CueKind::Layout, 'side by side', 0, 0))->problem());
    }

    /** @param  array{int, int, float, string}  ...$cues */
    private function written(array ...$cues): string
    {
        return CuePlaces::write(
            Script::parse(self::SCRIPT),
            array_map(fn (array $c): PlacedCue => new PlacedCue($c[0], new WordPlace($c[1], $c[2]), $c[3]), array_values($cues)),
        );
    }
}
