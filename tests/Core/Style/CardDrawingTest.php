<?php

declare(strict_types=1);

namespace Tests\Core\Style;

use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Script\CardKind;
use OpenReel\Core\Style\CardDrawing;
use OpenReel\Core\Style\CardTemplate;
use OpenReel\Core\Style\HouseStyle;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CardDrawingTest extends TestCase
{
    private const ODD = 'Tides "high" & <low> {\an7} 🌊 שלום';

    /** @return iterable<string, array{CardTemplate, FrameSize}> */
    public static function cards(): iterable
    {
        foreach (CardTemplate::cases() as $template) {
            foreach ([[1920, 1080], [720, 720], [1080, 1920]] as [$width, $height]) {
                yield "{$template->value} {$width}x{$height}" => [$template, FrameSize::of($width, $height)];
            }
        }
    }

    #[DataProvider('cards')]
    public function test_a_card_is_a_well_formed_drawing_with_the_words_as_typed(CardTemplate $template, FrameSize $frame): void
    {
        $card = CardDrawing::of(
            $frame,
            HouseStyle::of(['card' => $template->value, 'accent' => 'ABCDEF', 'heading_face' => 'sans']),
            self::ODD,
            "Reading the Water\nWenna",
        );
        $drawing = simplexml_load_string($card->svg());

        self::assertNotFalse($drawing);
        self::assertSame(
            [(string) $frame->width, (string) $frame->height],
            [(string) $drawing['width'], (string) $drawing['height']],
        );
        $rows = array_map(strval(...), iterator_to_array($drawing->text, false));
        self::assertSame(self::ODD, implode(' ', array_slice($rows, 0, -2)));
        self::assertSame(['Reading the Water', 'Wenna'], array_slice($rows, -2));
        self::assertStringContainsString('#ABCDEF', $card->svg());
        self::assertFalse($card->isCutOff);
        foreach ($drawing->text as $row) {
            self::assertGreaterThan(0, (int) $row['y']);
            self::assertLessThan($frame->height, (int) $row['y']);
        }
    }

    #[DataProvider('cards')]
    public function test_questions_count_and_quotations_are_the_larger(CardTemplate $template, FrameSize $frame): void
    {
        $style = HouseStyle::of(['card' => $template->value, 'language' => 'de']);
        $asked = CardDrawing::of($frame, $style, 'How deep?', 'Think.', CardKind::Question);
        $words = fn (CardDrawing $card): array => array_map(
            strval(...), iterator_to_array(simplexml_load_string($card->svg())->text ?? [], false),
        );
        self::assertSame(['Kurz nachgedacht', 'How deep?', 'Think.', '5'], array_values(array_filter(
            $words($asked->counting(5, 8)), fn (string $row): bool => $row !== '',
        )));
        self::assertNotSame($asked->counting(5, 8)->svg(), $asked->counting(4, 8)->svg());

        $saying = 'The sea never looks at your watch.';
        $quoted = CardDrawing::of($frame, $style, 'The harbour master', $saying, CardKind::Quotation);
        self::assertStringContainsString('— The harbour master', implode(' ', $words($quoted)));
        self::assertSame('“', $words($quoted)[0]);
        self::assertFalse($quoted->isCutOff);
    }

    public function test_long_words_are_set_smaller_and_at_last_cut_off(): void
    {
        $frame = FrameSize::of(1280, 720);
        $style = HouseStyle::of([]);

        self::assertFalse(CardDrawing::of($frame, $style, str_repeat('Reading the water ', 5), '')->isCutOff);
        $cut = CardDrawing::of($frame, $style, str_repeat('Reading the water ', 40), '');
        self::assertTrue($cut->isCutOff);
        self::assertStringContainsString('…</text>', $cut->svg());
        self::assertTrue(CardDrawing::of($frame, $style, 'Tides', str_repeat("One more row\n", 9))->isCutOff);
    }

    public function test_a_card_without_words_is_still_a_card(): void
    {
        self::assertStringNotContainsString(
            '<text',
            CardDrawing::of(FrameSize::of(1280, 720), HouseStyle::of([]), '', '')->svg(),
        );
    }
}
