<?php

declare(strict_types=1);

namespace OpenReel\Core\Packages;

use OpenReel\Core\Kernel\PlainText;

/** `cmi5.xml` of a package for course sites (cmi5 Quartz 1.0, section 14): a course of one unit, which is one page. */
final class Cmi5Structure
{
    public const NAME = 'cmi5.xml';

    /**
     * @param  string  $id  an IRI that no other lesson has
     * @param  string  $language  of title and film, BCP 47
     * @param  string  $page  the file that is opened
     */
    public static function write(string $id, string $title, string $language, string $page): string
    {
        $id = self::escaped($id);
        $words = self::escaped(PlainText::row($title));
        $language = self::escaped($language);
        $text = fn (string $name): string => "<{$name}><langstring lang=\"{$language}\">{$words}</langstring></{$name}>";
        $page = self::escaped(implode('/', array_map(rawurlencode(...), explode('/', $page))));

        return <<<XML
            <?xml version="1.0" encoding="UTF-8"?>
            <courseStructure xmlns="https://w3id.org/xapi/profiles/cmi5/v1/CourseStructure.xsd">
              <course id="{$id}">
                {$text('title')}
                {$text('description')}
              </course>
              <au id="{$id}/film" moveOn="Completed" launchMethod="AnyWindow">
                {$text('title')}
                {$text('description')}
                <url>{$page}</url>
              </au>
            </courseStructure>

            XML;
    }

    private static function escaped(string $text): string
    {
        return htmlspecialchars($text, ENT_XML1 | ENT_QUOTES, 'UTF-8');
    }
}
