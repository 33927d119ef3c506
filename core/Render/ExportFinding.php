<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** What a check of a finished film found. */
final readonly class ExportFinding
{
    /**
     * @param  string  $name  of the check: `frames`, `duration`, `streams`, `chapters`, `captions`, `loudness`
     * @param  string  $says  one sentence
     */
    public function __construct(public string $name, public bool $isOk, public string $says)
    {
    }

    /** @return array<string, string|bool> as it is stored with the film */
    public function toArray(): array
    {
        return ['name' => $this->name, 'ok' => $this->isOk, 'says' => $this->says];
    }
}
