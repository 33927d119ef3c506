<?php

declare(strict_types=1);

namespace Tests\Core\Packages;

use OpenReel\Core\Packages\ScormManifest;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What SCORM 1.2 asks of a manifest: one organization that is the default, an item that leads to a page, all files listed. */
final class ScormManifestTest extends TestCase
{
    private const PACKAGE = 'http://www.imsproject.org/xsd/imscp_rootv1p1p2';

    private const RULES = 'http://www.adlnet.org/xsd/adlcp_rootv1p2';

    public function test_it_says_what_course_sites_ask_for(): void
    {
        $files = ['index.html', 'A "tide" & <more> 🌊.mp4', 'captions.vtt'];
        $text = ScormManifest::write('open-reel-1', "A \"tide\" &\n<more> 🌊", 'index.html', $files);
        $document = new \DOMDocument();
        self::assertTrue($document->loadXML($text));
        $path = new \DOMXPath($document);
        $path->registerNamespace('p', self::PACKAGE);
        $one = fn (string $query): string => (string) $path->evaluate("string({$query})");

        self::assertSame('ADL SCORM', $one('/p:manifest/p:metadata/p:schema'));
        self::assertSame('1.2', $one('/p:manifest/p:metadata/p:schemaversion'));
        self::assertSame($one('//p:organizations/@default'), $one('//p:organization/@identifier'));
        self::assertSame('A "tide" & <more> 🌊', $one('//p:item/p:title'));
        self::assertSame($one('//p:item/@identifierref'), $one('//p:resource/@identifier'));
        $resource = $document->getElementsByTagName('resource')->item(0);
        self::assertInstanceOf(\DOMElement::class, $resource);
        self::assertSame(['sco', 'index.html', 'webcontent'], [
            $resource->getAttributeNS(self::RULES, 'scormtype'), $resource->getAttribute('href'), $resource->getAttribute('type'),
        ]);
        $listed = [];
        foreach ($path->query('//p:resource/p:file') ?: [] as $file) {
            self::assertInstanceOf(\DOMElement::class, $file);
            $listed[] = rawurldecode($file->getAttribute('href'));
        }
        self::assertSame($files, $listed);
    }

    public function test_it_is_as_the_schema_says(): void
    {
        $files = ['index.html', 'A "tide" & <more> 🌊.mp4', 'captions.de.vtt'];
        $text = ScormManifest::write('open-reel-01m8', 'A "tide" & <more> 🌊', 'index.html', $files);
        self::assertSame([], XmlSchema::problems($text, 'imscp_rootv1p1p2.xsd'));
    }

    /** The schema is no rubber stamp. */
    #[TestWith(['identifier="lesson"', 'identifier="a lesson"'])]
    #[TestWith(['default="lesson"', 'default="another"'])]
    #[TestWith(['identifierref="page"', 'identifierref="another"'])]
    #[TestWith(['adlcp:scormtype="sco"', ''])]
    #[TestWith(['type="webcontent"', 'type="film"'])]
    #[TestWith(['index.html', 'in dex.html'])]
    #[TestWith(['<resources>', '<resources/><resources>'])]
    public function test_one_that_is_otherwise_is_not(string $right, string $wrong): void
    {
        $text = ScormManifest::write('open-reel-1', 'Tides', 'index.html', ['index.html']);
        self::assertStringContainsString($right, $text);
        self::assertNotSame([], XmlSchema::problems(str_replace($right, $wrong, $text), 'imscp_rootv1p1p2.xsd'));
    }
}
