<?php

declare(strict_types=1);

namespace Tests\Core\Style;

use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Style\HouseStyle;
use OpenReel\Core\Style\ThumbnailDrawing;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ThumbnailDrawingTest extends TestCase
{
    /** @param  list<string>  $rows */
    #[DataProvider('titles')]
    public function test_a_title_fits_whatever_it_is(string $title, FrameSize $frame, array $rows, int $size): void
    {
        $svg = (new ThumbnailDrawing($title, '', $frame, HouseStyle::of([])))->svg('data:x');
        $drawing = new \DOMDocument();
        self::assertTrue($drawing->loadXML($svg));
        $texts = iterator_to_array($drawing->getElementsByTagName('text'));
        self::assertSame($rows, array_map(fn (\DOMElement $t): string => $t->textContent, $texts));
        self::assertSame((string) $size, $texts[0]->getAttribute('font-size'));
        foreach ($texts as $text) {
            self::assertLessThan($frame->height, (int) $text->getAttribute('y'));
        }
    }

    /** @return array<string, array{string, FrameSize, list<string>, int}> */
    public static function titles(): array
    {
        $wide = FrameSize::of(1280, 720);

        return [
            'short' => ['How to read a tide table', $wide, ['How to read a tide', 'table'], 94],
            'with what means something in XML' => ["A \"tide\" &\n<more> 🌊", $wide, ['A "tide" & <more> 🌊'], 94],
            'long' => [
                'Everything that a rower who is new on our creek has to know about the tides before the first outing', $wide,
                ['Everything that a rower who is new on', 'our creek has to know about the tides', 'before the first outing'], 54,
            ],
            'upright' => ['Springs and neaps', FrameSize::of(720, 1280), ['Springs and', 'neaps'], 94],
            'one endless word' => [str_repeat('a', 300), $wide, [str_repeat('a', 49)], 43],
        ];
    }

    public function test_the_course_stands_below_it(): void
    {
        $drawing = new ThumbnailDrawing('Springs', 'Reading the Water', FrameSize::of(1280, 720), HouseStyle::of([]));
        $svg = $drawing->svg('data:x');
        self::assertMatchesRegularExpression('#>Springs</text><text [^>]*font-size="47"[^>]*>Reading the Water</text>#', $svg);
        self::assertStringContainsString('xlink:href="data:x"', $svg);
    }
}
