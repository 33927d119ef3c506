<?php

declare(strict_types=1);

namespace App\Media\Shared;

use App\Media\DiskFull;
use Illuminate\Support\Facades\Log;

/**
 * What this machine still has to do on the shared disk: a note a file, written before the file itself changes and gone when the
 * shared disk has it. So nothing is forgotten, whoever dies and when.
 */
final class UploadJournal
{
    public const FOLDER = 'unsent';

    private readonly string $folder;

    /** @param  \Closure(string): string  $here  where a file of the media disk lies on this machine */
    public function __construct(private readonly SharedDisk $shared, private readonly \Closure $here)
    {
        $this->folder = $here(self::FOLDER);
    }

    /**
     * Changes something here that is to be changed on the shared disk as well: noted first, done there when it can be.
     *
     * @param  callable(): mixed  $change
     *
     * @throws SharedDiskAway on a machine from which nobody would send it later
     */
    public function record(string $name, PendingOp $owed, callable $change): void
    {
        if (! $this->shared->isThere()) {
            $change();

            return;
        }
        $this->note($name, $owed);
        $change();
        try {
            $this->perform($name, $owed);
        } catch (SharedDiskAway $away) {
            if (! config('reel.has_database')) {
                throw $away;
            }
            Log::warning('The shared disk is away; what it should have waits here', $away->context() + ['name' => $name]);
        }
    }

    /** A file goes there when there is time. */
    public function recordLater(string $name): void
    {
        if ($this->shared->isThere()) {
            $this->note($name, PendingOp::Put);
        }
    }

    /**
     * Does what is noted.
     *
     * @throws SharedDiskAway
     */
    public function flush(): void
    {
        foreach ($this->all() as $name => $owed) {
            $this->perform($name, $owed);
        }
    }

    public function holds(string $name): bool
    {
        clearstatcache(true, $this->path($name));

        return is_file($this->path($name));
    }

    public function count(): int
    {
        return count(glob("{$this->folder}/*.note") ?: []);
    }

    private function perform(string $name, PendingOp $owed): void
    {
        $path = ($this->here)($name);
        clearstatcache(true, $path);
        // What was removed may have been made anew meanwhile.
        if (is_file($path)) {
            $this->shared->put($name, $path);
        } elseif ($owed === PendingOp::Remove) {
            $this->shared->remove($name);
        } else {
            Log::error('A file is gone from this machine before the shared disk had it', ['name' => $name]);
        }
        $this->done($name, $owed);
    }

    /** A note of the same name takes the place of the one before. */
    private function note(string $name, PendingOp $owed): void
    {
        is_dir($this->folder) || @mkdir($this->folder, 0o755, true);
        $draft = $this->path($name).'.'.getmypid();
        if (@file_put_contents($draft, "{$owed->value} {$name}") === false || ! @rename($draft, $this->path($name))) {
            throw DiskFull::writing('the file');
        }
    }

    /** Done, unless something else was noted meanwhile. */
    private function done(string $name, PendingOp $owed): void
    {
        if (@file_get_contents($this->path($name)) === "{$owed->value} {$name}") {
            @unlink($this->path($name));
        }
    }

    /** @return array<string, PendingOp> by name, oldest first */
    private function all(): array
    {
        $found = [];
        foreach (glob("{$this->folder}/*.note") ?: [] as $file) {
            [$owed, $name] = explode(' ', (string) @file_get_contents($file), 2) + ['', ''];
            if (($what = PendingOp::tryFrom($owed)) !== null) {
                $found[$name] = [(int) @filemtime($file), $what];
            }
        }
        uasort($found, fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_map(fn (array $one): PendingOp => $one[1], $found);
    }

    private function path(string $name): string
    {
        return $this->folder.'/'.sha1($name).'.note';
    }
}
