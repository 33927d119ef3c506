<?php

declare(strict_types=1);

namespace Tests\Core\Alignment;

use OpenReel\Core\Alignment\AlignedWord;
use OpenReel\Core\Alignment\Alignment;
use OpenReel\Core\Alignment\AlignmentRequest;
use OpenReel\Core\Alignment\Attempt;
use OpenReel\Core\Alignment\ExpectedLine;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Take\AttemptKind;
use PHPUnit\Framework\TestCase;

/** What one machine asks another to listen for, and what it is told. */
final class AlignmentRequestTest extends TestCase
{
    public function test_an_order_comes_back_from_plain_values(): void
    {
        $order = $this->order();
        $back = AlignmentRequest::parse(json_decode((string) json_encode($order->toArray()), true));
        self::assertEquals($order, $back);
        self::assertSame($order->key('5.1'), $back->key('5.1'));
    }

    public function test_its_key_tells_apart_whatever_is_heard_otherwise(): void
    {
        $keys = [
            $this->order()->key('5.1'),
            $this->order()->key('6.0'),
            $this->order(sound: str_repeat('b', 64))->key('5.1'),
            $this->order(text: 'High water is at seven.')->key('5.1'),
            $this->order(begins: false)->key('5.1'),
            $this->order(language: Language::German)->key('5.1'),
        ];
        self::assertCount(6, array_unique($keys));
    }

    public function test_what_was_heard_comes_back_from_plain_values(): void
    {
        $span = fn (int $from, int $until): Span => Span::between(Tick::of($from), Tick::of($until));
        $heard = new Alignment(
            [
                new Attempt(1, AttemptKind::FalseStart, $span(0, 4_800), [], 0.25),
                new Attempt(1, AttemptKind::Complete, $span(9_600, 96_000), [
                    new AlignedWord('High', $span(9_600, 20_000)), new AlignedWord('"Niedrigwasser"', $span(20_000, 96_000)),
                ], 1.0),
            ],
            [$span(100_000, 110_000)],
            [$span(110_000, 160_000)],
            0.8125,
        );
        self::assertEquals($heard, Alignment::parse(json_decode((string) json_encode($heard->toArray()), true)));
        $nothing = new Alignment([], [], [], 0.0);
        self::assertEquals($nothing, Alignment::parse(json_decode((string) json_encode($nothing->toArray()), true)));
    }

    private function order(
        string $sound = '',
        string $text = 'High water is at six.',
        bool $begins = true,
        Language $language = Language::English,
    ): AlignmentRequest {
        return new AlignmentRequest(
            $sound === '' ? str_repeat('a', 64) : $sound,
            [new ExpectedLine($text, strtolower($text), $begins), new ExpectedLine('Low water follows.', 'low water follows.')],
            $language,
        );
    }
}
