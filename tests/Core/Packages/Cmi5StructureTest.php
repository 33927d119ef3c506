<?php

declare(strict_types=1);

namespace Tests\Core\Packages;

use OpenReel\Core\Packages\Cmi5Structure;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What cmi5 asks of a course structure: one course, a unit with an address, titles and descriptions with their language. */
final class Cmi5StructureTest extends TestCase
{
    public function test_it_says_what_course_sites_ask_for(): void
    {
        $text = Cmi5Structure::write('urn:open-reel:lesson:1', "A \"tide\" &\n<more> 🌊", 'de', 'a page.html');
        $document = new \DOMDocument();
        self::assertTrue($document->loadXML($text));
        $path = new \DOMXPath($document);
        $path->registerNamespace('c', 'https://w3id.org/xapi/profiles/cmi5/v1/CourseStructure.xsd');
        $one = fn (string $query): string => (string) $path->evaluate("string({$query})");

        self::assertSame('urn:open-reel:lesson:1', $one('/c:courseStructure/c:course/@id'));
        self::assertSame('urn:open-reel:lesson:1/film', $one('/c:courseStructure/c:au/@id'));
        foreach (['course', 'au'] as $of) {
            // The schema wants them in this order.
            self::assertSame('title', $one("name(/c:courseStructure/c:{$of}/*[1])"));
            self::assertSame('description', $one("name(/c:courseStructure/c:{$of}/*[2])"));
            self::assertSame('A "tide" & <more> 🌊', $one("/c:courseStructure/c:{$of}/c:title/c:langstring"));
            self::assertSame('de', $one("/c:courseStructure/c:{$of}/c:title/c:langstring/@lang"));
        }
        self::assertSame('Completed', $one('//c:au/@moveOn'));
        self::assertSame('AnyWindow', $one('//c:au/@launchMethod'));
        self::assertSame('a%20page.html', $one('//c:au/c:url'));
    }

    public function test_it_is_as_the_schema_says(): void
    {
        $text = Cmi5Structure::write('urn:open-reel:lesson:1', 'A "tide" & <more> 🌊', 'de', 'a page.html');
        self::assertSame([], XmlSchema::problems($text, 'cmi5-course-structure.xsd'));
    }

    /** The schema is no rubber stamp. */
    #[TestWith(['moveOn="Completed"', 'moveOn="Watched"'])]
    #[TestWith(['id="urn:open-reel:lesson:1/film"', 'id="film"'])]
    #[TestWith(['<url>page.html</url>', ''])]
    #[TestWith(['<langstring lang="en">', '<langstring lang="English please">'])]
    public function test_one_that_is_otherwise_is_not(string $right, string $wrong): void
    {
        $text = Cmi5Structure::write('urn:open-reel:lesson:1', 'Tides', 'en', 'page.html');
        self::assertStringContainsString($right, $text);
        self::assertNotSame([], XmlSchema::problems(str_replace($right, $wrong, $text), 'cmi5-course-structure.xsd'));
    }
}
