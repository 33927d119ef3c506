<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment;

use OpenReel\Core\Kernel\CacheKey;
use OpenReel\Core\Script\Language;

/** What a sound is to be listened for, in plain values: all that a machine needs which knows nothing of takes. */
final readonly class AlignmentRequest
{
    /** Part of its key: change it when hearing comes out otherwise. */
    private const VERSION = 2;

    /**
     * @param  string  $sound  SHA-256 of its file
     * @param  list<ExpectedLine>  $lines
     */
    public function __construct(public string $sound, public array $lines, public Language $language)
    {
    }

    /** @param  string  $encoder  version of what decodes the sound */
    public function key(string $encoder): string
    {
        return CacheKey::of('heard', $this->toArray() + ['recipe' => self::VERSION], $encoder);
    }

    /** @return array{sound: string, lines: list<array{string, string, bool}>, language: string} */
    public function toArray(): array
    {
        return [
            'sound' => $this->sound,
            'lines' => array_map(fn (ExpectedLine $l): array => [$l->text, $l->spoken, $l->beginsSection], $this->lines),
            'language' => $this->language->value,
        ];
    }

    /** @param  array<string, mixed>  $order  as `toArray` gives it */
    public static function parse(array $order): self
    {
        return new self(
            $order['sound'],
            array_values(array_map(fn (array $l): ExpectedLine => new ExpectedLine(...$l), $order['lines'])),
            Language::from($order['language']),
        );
    }
}
