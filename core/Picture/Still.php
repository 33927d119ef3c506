<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** A picture that stands: a slide, a card, a logo. */
final readonly class Still implements Source
{
    /**
     * @param  StillKind  $kind  what it is, and where it is found by its id
     * @param  string  $hash  SHA-256 of its file
     */
    public function __construct(public StillKind $kind, public string $id, public Shape $shape, public string $hash)
    {
    }

    /** Part of what a drawn picture is called: change it whenever the same drawing becomes another picture. */
    public const VERSION = 2;

    /** A picture that is drawn by us: called by its drawing. */
    public static function drawn(StillKind $kind, string $svg, Shape $shape): self
    {
        $hash = hash('sha256', self::VERSION.$svg);

        return new self($kind, $hash, $shape, $hash);
    }

    public function key(): array
    {
        return ['still' => $this->hash];
    }

    public function files(): array
    {
        return [$this->hash];
    }
}
