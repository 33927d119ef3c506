<?php

declare(strict_types=1);

namespace Tests\Core\Packages;

/** Holds documents against the schemas in tests/schemas. */
final class XmlSchema
{
    /** @return list<string> what is wrong; nothing when the document is as the schema says */
    public static function problems(string $xml, string $schema): array
    {
        $before = libxml_use_internal_errors(true);
        libxml_clear_errors();
        $document = new \DOMDocument();
        if ($document->loadXML($xml)) {
            $document->schemaValidate(__DIR__."/../../schemas/{$schema}");
        }
        $problems = array_map(fn (\LibXMLError $e): string => trim($e->message), libxml_get_errors());
        libxml_use_internal_errors($before);

        return array_values($problems);
    }
}
