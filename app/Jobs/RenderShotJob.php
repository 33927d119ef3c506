<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Media\PieceRenderer;
use App\Work\Guarded;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Render\SoundSpec;

/** Renders one shot's picture and its segment's sound into the cache. Needs the media disk and no database. */
final class RenderShotJob implements ShouldQueue
{
    use Guarded, Queueable;

    /** @var array<string, string> path on the media disk by hash */
    private readonly array $files;

    /** @param  array<string, string>  $files  may hold more than is needed */
    public function __construct(private readonly ShotSpec $picture, private readonly SoundSpec $sound, array $files)
    {
        $this->files = array_intersect_key($files, array_flip(array_filter([...$picture->files(), $sound->sound])));
        $this->onQueue('background');
    }

    public function lockName(): string
    {
        return 'segment/'.$this->picture->key('');
    }

    public function handle(PieceRenderer $pieces): void
    {
        $this->alone(function () use ($pieces): void {
            $pieces->sound($this->sound, $this->files);
            $pieces->segment($this->picture, $this->files);
        });
    }
}
