<?php

declare(strict_types=1);

namespace App\Media;

/** Is told how far the making of a film is, and may end it. */
interface FilmProgress
{
    /** @param  int  $frames  that have to be rendered */
    public function expect(int $frames): void;

    /** @param  int  $frames  of a piece that are done */
    public function rendered(int $piece, int $frames): void;

    public function joining(): void;

    /** @param  int  $frames  of the joined film that are encoded once more */
    public function passing(int $frames): void;

    /** @throws Cancelled */
    public function mustGoOn(): void;
}
