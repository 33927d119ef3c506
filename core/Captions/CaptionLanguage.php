<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

/** Languages that captions can be translated into, by their code (BCP 47), as they call themselves. */
final class CaptionLanguage
{
    public const NAMES = [
        'ar' => 'العربية',
        'cy' => 'Cymraeg',
        'da' => 'Dansk',
        'de' => 'Deutsch',
        'en' => 'English',
        'es' => 'Español',
        'fr' => 'Français',
        'it' => 'Italiano',
        'ja' => '日本語',
        'nl' => 'Nederlands',
        'pl' => 'Polski',
        'pt' => 'Português',
        'sv' => 'Svenska',
        'uk' => 'Українська',
        'zh' => '中文',
    ];

    /** @return string what captions in it are called beside a film */
    public static function file(string $code): string
    {
        return "captions.{$code}.vtt";
    }
}
