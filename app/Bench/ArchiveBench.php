<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Archives\PackLessons;
use App\Media\MediaStore;
use Illuminate\Support\Facades\DB;

/** A lesson of 12 takes of 40 MB each as an archive, against copying the same files; both until they are on the disk. */
final class ArchiveBench implements Bench
{
    private const BYTES = 40_000_000;

    private const ROUNDS = 5;

    public function __construct(
        private readonly TwelveSections $twelve,
        private readonly PackLessons $pack,
        private readonly MediaStore $media,
    ) {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (! $wanted('archive_vs_copy')) {
            return;
        }
        $lesson = $this->twelve->make($folder);
        // Takes of some minutes, whatever is in them.
        foreach (DB::table('tracks')->where('kind', 'camera')->pluck('file_path', 'id') as $id => $path) {
            file_put_contents($this->media->path($path), random_bytes(self::BYTES));
            DB::table('tracks')->where('id', $id)->update(['hash' => $this->media->hash($path)]);
        }
        $files = array_filter(
            array_keys(iterator_to_array($this->media->filesIn("lessons/{$lesson->id}"))),
            fn (string $name): bool => ! str_ends_with($name, '.part') && ! str_starts_with($name, 'exports/'),
        );
        $ratios = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $copy = $this->timed(function () use ($lesson, $files, $folder): void {
                @mkdir("{$folder}/copy");
                foreach (array_values($files) as $n => $name) {
                    copy($this->media->path("lessons/{$lesson->id}/{$name}"), "{$folder}/copy/{$n}");
                }
            });
            $archive = '';
            $pack = $this->timed(function () use ($lesson, &$archive): void {
                $archive = $this->pack->lesson($lesson);
            });
            array_map(unlink(...), [...(glob("{$folder}/copy/*") ?: []), $archive]);
            $ratios[] = $pack / $copy;
        }
        sort($ratios);

        yield 'archive_vs_copy' => [round($ratios[intdiv(self::ROUNDS, 2)], 2), '<= 1.2'];
    }

    /** @param  callable(): void  $work */
    private function timed(callable $work): float
    {
        exec('sync');
        $start = hrtime(true);
        $work();
        exec('sync');

        return (hrtime(true) - $start) / 1e9;
    }
}
