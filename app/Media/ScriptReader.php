<?php

declare(strict_types=1);

namespace App\Media;

use App\Media\Office\DocxReader;
use App\Media\Office\OdtReader;
use OpenReel\Core\Kernel\PlainText;

/** Reads a script from somebody's file: plain text, Markdown, and the two open formats of word processors. */
final class ScriptReader
{
    private const MOST_BYTES = 20 * 1024 * 1024;

    private const MOST_CHARACTERS = 500_000;

    /**
     * @param  string  $name  what the file was called, for its kind and for messages
     * @return string the text of a script
     *
     * @throws UnreadableFile
     */
    public function read(string $path, string $name): string
    {
        $name = mb_substr(PlainText::row($name), 0, 200);
        $bytes = (int) @filesize($path);
        if ($bytes === 0) {
            throw UnreadableFile::because("\"{$name}\" is empty.");
        }
        if ($bytes > self::MOST_BYTES) {
            throw UnreadableFile::because("\"{$name}\" is larger than 20 MB. A script is shorter than that.");
        }
        $text = match (strtolower(pathinfo($name, PATHINFO_EXTENSION))) {
            'md', 'markdown', 'txt', 'text' => self::plain((string) file_get_contents($path), $name),
            'docx' => DocxReader::read($path, $name),
            'odt' => OdtReader::read($path, $name),
            'doc' => throw UnreadableFile::because(
                "\"{$name}\" is an old word processor file. Save it as .docx or .odt and try again.",
            ),
            default => throw UnreadableFile::because("\"{$name}\" is no script. Choose a .md, .txt, .docx or .odt file."),
        };
        $text = PlainText::of($text);
        if (trim($text) === '') {
            throw UnreadableFile::because("There are no words in \"{$name}\".");
        }

        return mb_strlen($text) <= self::MOST_CHARACTERS
            ? $text
            : throw UnreadableFile::because("\"{$name}\" has more than 500,000 characters. Bring it in in parts.");
    }

    private static function plain(string $text, string $name): string
    {
        $text = (string) preg_replace('/^\xEF\xBB\xBF/', '', $text);
        if (preg_match('/^(\xFF\xFE|\xFE\xFF)/', $text) === 1) {
            $text = mb_convert_encoding($text, 'UTF-8', 'UTF-16');
        }
        if (str_contains($text, "\0")) {
            throw UnreadableFile::because("\"{$name}\" is not a text file.");
        }
        // What is not UTF-8 was most likely written on an older machine of Western Europe.
        $text = mb_check_encoding($text, 'UTF-8') ? $text : mb_convert_encoding($text, 'UTF-8', 'Windows-1252');

        return str_replace(["\r\n", "\r"], "\n", $text);
    }
}
