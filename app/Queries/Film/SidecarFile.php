<?php

declare(strict_types=1);

namespace App\Queries\Film;

use App\Models\Export;
use OpenReel\Core\Captions\CaptionLanguage;

/** The files that lie beside a film: what they are, and where. */
final class SidecarFile
{
    /** By the end of their name: what they are; beside these there are captions in other languages. */
    private const KINDS = [
        'captions.vtt' => 'text/vtt', 'captions.srt' => 'application/x-subrip', 'chapters.vtt' => 'text/vtt',
        'chapters.txt' => 'text/plain', 'transcript.txt' => 'text/plain',
        'transcript.html' => 'text/html', 'transcript.docx' => self::DOCX, 'script.md' => 'text/markdown',
        self::THUMBNAIL => 'image/jpeg', 'thumbnail-small.jpg' => 'image/jpeg', 'thumbnail-title.jpg' => 'image/jpeg',
        'sound.m4a' => 'audio/mp4', 'sound.mp3' => 'audio/mpeg',
    ];

    private const DOCX = 'application/vnd.openxmlformats-officedocument.wordprocessingml.document';

    /** What is said when, for the course site: nobody takes it away. */
    public const LINES = 'lines.json';

    /** The picture by which a film is known. */
    public const THUMBNAIL = 'thumbnail.jpg';

    /** The same smaller, and with its title over it. */
    public const OTHER_THUMBNAILS = ['thumbnail-small.jpg', 'thumbnail-title.jpg'];

    /** @return array<string, string> type by the end of the name */
    public static function kinds(): array
    {
        $translated = array_map(CaptionLanguage::file(...), array_keys(CaptionLanguage::NAMES));

        return self::KINDS + array_fill_keys($translated, 'text/vtt');
    }

    public static function mime(string $kind): string
    {
        $mime = self::kinds()[$kind];

        return preg_match('#^(image|audio|application/vnd)#', $mime) === 1 ? $mime : "{$mime}; charset=utf-8";
    }

    /** @return string on the media disk */
    public static function path(Export $export, string $kind): string
    {
        return "lessons/{$export->lesson_id}/exports/{$export->id}-{$kind}";
    }
}
