<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

use OpenReel\Core\Kernel\PlainText;

/** A text with headings as the parts of a `.docx` file (ECMA-376, Part 1): what word processors need, and no more. */
final class TranscriptDocx
{
    private const NAMES = 'http://schemas.openxmlformats.org/';

    /**
     * @param  list<DocxParagraph>  $paragraphs
     * @return array<string, string> content by the name of the part
     */
    public static function parts(array $paragraphs): array
    {
        $body = '';
        foreach ($paragraphs as $paragraph) {
            $words = htmlspecialchars(PlainText::row($paragraph->text), ENT_XML1 | ENT_QUOTES, 'UTF-8');
            $run = "<w:r><w:t xml:space=\"preserve\">{$words}</w:t></w:r>";
            $body .= "<w:p><w:pPr><w:pStyle w:val=\"{$paragraph->style}\"/></w:pPr>{$run}</w:p>";
        }
        $head = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>'."\n";
        $word = 'application/vnd.openxmlformats-officedocument.wordprocessingml';
        $related = self::NAMES.'officeDocument/2006/relationships';

        return [
            '[Content_Types].xml' => $head.'<Types xmlns="'.self::NAMES.'package/2006/content-types">'
                .'<Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>'
                ."<Override PartName=\"/word/document.xml\" ContentType=\"{$word}.document.main+xml\"/>"
                ."<Override PartName=\"/word/styles.xml\" ContentType=\"{$word}.styles+xml\"/></Types>",
            '_rels/.rels' => $head.'<Relationships xmlns="'.self::NAMES.'package/2006/relationships">'
                ."<Relationship Id=\"r1\" Type=\"{$related}/officeDocument\" Target=\"word/document.xml\"/></Relationships>",
            'word/_rels/document.xml.rels' => $head.'<Relationships xmlns="'.self::NAMES.'package/2006/relationships">'
                ."<Relationship Id=\"r1\" Type=\"{$related}/styles\" Target=\"styles.xml\"/></Relationships>",
            'word/styles.xml' => $head.'<w:styles xmlns:w="'.self::NAMES.'wordprocessingml/2006/main">'
                .self::style('Normal', 'Normal', 22, false).self::style('Title', 'Title', 40, true)
                .self::style('Heading1', 'heading 1', 28, true).'</w:styles>',
            'word/document.xml' => $head.'<w:document xmlns:w="'.self::NAMES."wordprocessingml/2006/main\"><w:body>{$body}"
                .'<w:sectPr><w:pgSz w:w="11906" w:h="16838"/><w:pgMar w:top="1440" w:right="1440" w:bottom="1440" w:left="1440"/>'
                .'</w:sectPr></w:body></w:document>',
        ];
    }

    /** @param  int  $size  of the letters, in half points */
    private static function style(string $id, string $name, int $size, bool $isBold): string
    {
        $level = $id === 'Heading1' ? '<w:outlineLvl w:val="0"/>' : '';

        return "<w:style w:type=\"paragraph\" w:styleId=\"{$id}\"><w:name w:val=\"{$name}\"/>"
            ."<w:pPr><w:spacing w:after=\"160\"/>{$level}</w:pPr>"
            .'<w:rPr>'.($isBold ? '<w:b/>' : '')."<w:sz w:val=\"{$size}\"/></w:rPr></w:style>";
    }
}
