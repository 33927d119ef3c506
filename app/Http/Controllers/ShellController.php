<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ExportRequest;
use App\People\CurrentUser;
use Illuminate\Http\Response;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Style\FilmName;
use OpenReel\Core\Style\HouseStyle;
use OpenReel\Core\Style\StyleSetting;
use OpenReel\Core\Style\StyleSettings;

/** The page that the interface starts in. */
final class ShellController
{
    /** Scripts, styles and fonts come from here and nowhere else; recordings play from memory (blob:). */
    private const POLICY =
        "default-src 'self'; script-src 'self'; object-src 'none'; media-src 'self' blob:; img-src 'self' blob: data:; ".
        "style-src 'self' 'unsafe-inline'; form-action 'self'; frame-ancestors 'none'; base-uri 'none'";

    public function __invoke(): Response
    {
        return response()
            ->view('app', [
                'setup' => [
                    'person' => CurrentUser::asks()?->id,
                    'frames' => HouseStyle::FRAMES,
                    'smaller' => ExportRequest::SMALLER,
                    'film_names' => FilmName::PARTS,
                    'rates' => FrameRate::OFFERED,
                    'faces' => HouseStyle::FACES,
                    'style' => array_map(fn (array $of): array => array_map(self::setting(...), $of), StyleSettings::groups()),
                ],
            ])
            ->header('Content-Security-Policy', self::POLICY);
    }

    /** @return array{name: string, kind: string, choices: list<string|int>} */
    private static function setting(StyleSetting $setting): array
    {
        return ['name' => $setting->name, 'kind' => $setting->kind->value, 'choices' => $setting->choices];
    }
}
