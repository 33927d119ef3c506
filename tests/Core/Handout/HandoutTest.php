<?php

declare(strict_types=1);

namespace Tests\Core\Handout;

use OpenReel\Core\Annotation\Outline;
use OpenReel\Core\Handout\HandoutLayout;
use OpenReel\Core\Handout\HandoutPages;
use OpenReel\Core\Handout\HandoutSlide;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use PHPUnit\Framework\TestCase;

final class HandoutTest extends TestCase
{
    public function test_slides_stand_with_their_words_and_what_is_drawn_on_them(): void
    {
        $ink = new Outline([[0, 0, 5000, 0, 5000, 5000]], 'B3261E', 0.5);
        $slides = [
            self::slide('High water', 'a', ['Find', 'the', '<day>', '&', 'שלום']),
            self::slide('High water', 'b', explode(' ', str_repeat('water ', 60)))->with([$ink], ['more.']),
        ];
        [$page] = $pages = HandoutPages::draw('Tides "now"', $slides, HandoutLayout::Three, ['a' => 'data:a', 'b' => 'data:b']);
        self::assertCount(1, $pages);
        $drawing = new \DOMDocument();
        self::assertTrue($drawing->loadXML($page));
        $texts = array_map(
            fn (\DOMNode $n): string => (string) $n->textContent,
            iterator_to_array($drawing->getElementsByTagName('text')),
        );
        self::assertSame(['Tides "now"', 'High water', 'Find the <day> & שלום'], array_slice($texts, 0, 3));
        // The heading stands once; the last is the page's number.
        self::assertSame([1, '1'], [count(array_keys($texts, 'High water', true)), end($texts)]);
        self::assertSame(['data:a', 'data:b'], array_map(
            fn (\DOMNode $n): string => $n instanceof \DOMElement ? $n->getAttribute('xlink:href') : '',
            iterator_to_array($drawing->getElementsByTagName('image')),
        ));
        self::assertStringContainsString('d="M0 0L5000 0L5000 5000Z"', $page);
        // No row is wider than there is room for.
        foreach ($drawing->getElementsByTagName('text') as $text) {
            self::assertLessThan(
                595 - 40,
                (float) $text->getAttribute('x') + 0.5 * (float) $text->getAttribute('font-size') * mb_strlen($text->textContent),
            );
        }
    }

    public function test_a_slide_across_the_page_needs_more_pages_and_long_words_go_on_over_them(): void
    {
        $long = explode(' ', str_repeat('slack water ', 900));
        $slides = [
            self::slide('One', 'a', ['Short.']), self::slide('Two', 'b', $long),
            self::slide('Three', null, ['Nothing', 'seen.']),
        ];
        $pages = HandoutPages::draw('Tides', $slides, HandoutLayout::One, ['a' => 'data:a', 'b' => 'data:b']);
        self::assertGreaterThan(3, count($pages));
        self::assertSame(1800, substr_count(implode('', $pages), 'slack') + substr_count(implode('', $pages), 'water'));
        self::assertStringContainsString('Nothing seen.', (string) end($pages));
        foreach ($pages as $page) {
            preg_match_all('/<text x="[\d.]+" y="([\d.]+)"/', $page, $found);
            self::assertLessThan(842, max([0.0, ...array_map(floatval(...), $found[1])]));
        }
    }

    /** @param  list<string>  $words */
    private static function slide(string $section, ?string $hash, array $words): HandoutSlide
    {
        $picture = $hash === null ? null : new Still(StillKind::Slide, $hash, Shape::of(1600, 900), $hash);

        return new HandoutSlide($section, $picture, [], array_values(array_filter($words)));
    }
}
