<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

use OpenReel\Core\Kernel\DomainError;

final class StyleError extends DomainError
{
    private const NAMES = [
        'width' => 'frame',
        'height' => 'frame',
        'fps' => 'frame rate',
        'border_colour' => 'colour of the border',
        'ground' => 'colour behind slides',
        'ink' => 'ink',
        'paper' => 'paper',
        'accent' => 'accent',
        'count_down' => 'count-down',
        'sound_target' => 'loudness',
        'computer_under' => "level of the computer's sound",
        'card' => 'card template',
    ];

    public static function cannotBe(string $name): self
    {
        $called = self::NAMES[$name] ?? str_replace('_', ' ', $name);

        return new self(
            match ($name) {
                'count_down' => 'The count-down lasts from 0 to 10 seconds.',
                'film_name' => 'A name has at most 100 characters; in braces stand course, number, title, date or version.',
                'presenter' => 'The presenter\'s name has at most 100 characters.',
                'border_colour',
                'ground',
                'ink',
                'paper',
                'accent' => "The {$called} is written as six digits or letters from 0 to F, for example #0B5D66.",
                default => "That is not one of the choices for the {$called}.",
            },
            'style',
            $name,
        );
    }

    public static function chosenOnce(): self
    {
        return new self('Frame size and rate are chosen once, when the lesson is made.', 'frame');
    }

    public static function unknown(string $name): self
    {
        return new self("A house style has no part called \"{$name}\".", 'style', $name);
    }
}
