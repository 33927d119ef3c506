<?php

declare(strict_types=1);

namespace OpenReel\Core\Packages;

use OpenReel\Core\Kernel\PlainText;

/** `imsmanifest.xml` of a package for course sites (SCORM 1.2 Content Aggregation Model): one lesson with one page. */
final class ScormManifest
{
    public const NAME = 'imsmanifest.xml';

    /**
     * @param  string  $id  of the package; letters, digits and hyphens, beginning with a letter
     * @param  string  $page  the file that is opened
     * @param  list<string>  $files  all files of the package but this one
     */
    public static function write(string $id, string $title, string $page, array $files): string
    {
        $title = self::escaped(PlainText::row($title));
        $listed = implode('', array_map(fn (string $f): string => '      <file href="'.self::href($f)."\"/>\n", $files));
        $page = self::href($page);

        return <<<XML
            <?xml version="1.0" encoding="UTF-8"?>
            <manifest identifier="{$id}" version="1.0" xmlns="http://www.imsproject.org/xsd/imscp_rootv1p1p2"
                xmlns:adlcp="http://www.adlnet.org/xsd/adlcp_rootv1p2">
              <metadata>
                <schema>ADL SCORM</schema>
                <schemaversion>1.2</schemaversion>
              </metadata>
              <organizations default="lesson">
                <organization identifier="lesson">
                  <title>{$title}</title>
                  <item identifier="film" identifierref="page" isvisible="true">
                    <title>{$title}</title>
                  </item>
                </organization>
              </organizations>
              <resources>
                <resource identifier="page" type="webcontent" adlcp:scormtype="sco" href="{$page}">
            {$listed}    </resource>
              </resources>
            </manifest>

            XML;
    }

    private static function href(string $file): string
    {
        return self::escaped(implode('/', array_map(rawurlencode(...), explode('/', $file))));
    }

    private static function escaped(string $text): string
    {
        return htmlspecialchars($text, ENT_XML1 | ENT_QUOTES, 'UTF-8');
    }
}
