<?php

declare(strict_types=1);

namespace App\Work;

use App\Media\Cancelled;
use App\Media\FilmProgress;
use App\Models\Export;
use App\Models\WorkState;
use Illuminate\Support\Facades\Cache;

/** Writes an export's progress to its row, a few times a second at most, and notices when it is cancelled. */
final class ExportProgress implements FilmProgress
{
    private const EVERY_SECONDS = 0.4;

    private const REMEMBERED_SECONDS = 86_400;

    /** The part of the work that rendering is; joining and checking are the rest. */
    private const RENDERING = 0.95;

    /** The same where all of the film is encoded once more. */
    private const BEFORE_A_PASS = 0.5;

    private float $rendering = self::RENDERING;

    private int $frames = 0;

    private float $written = 0.0;

    private int $expected = 0;

    /** @var array<int, int> frames by piece */
    private array $done = [];

    /** @param  (callable(float $part): void)|null  $listener */
    public function __construct(private readonly Export $export, private $listener = null)
    {
    }

    /**
     * @param  bool  $passes  the joined film is encoded once more
     *
     * @throws Cancelled
     */
    public function begin(int $frames, string $planHash, bool $passes = false): void
    {
        $this->frames = $frames;
        $this->rendering = $passes ? self::BEFORE_A_PASS : self::RENDERING;
        $goesOn = $this->export->become(WorkState::Running, WorkState::OPEN, [
            'frames' => $frames,
            'plan_hash' => $planHash,
            'started_at' => now(),
            'progress' => 0,
            'doing' => 'Mixing the sound',
            'problem' => null,
        ]);
        if (! $goesOn) {
            throw Cancelled::byPresenter();
        }
    }

    public function expect(int $frames): void
    {
        $this->expected = $frames;
        Cache::put(self::leftKey($this->export->id), $frames, self::REMEMBERED_SECONDS);
    }

    /** @return int|null frames that were not in the cache when it was begun last; null when that is not known */
    public static function left(string $export): ?int
    {
        $left = Cache::get(self::leftKey($export));

        // Redis gives numbers back as text.
        return $left === null ? null : (int) $left;
    }

    private static function leftKey(string $export): string
    {
        return "export/{$export}/left";
    }

    public function rendered(int $piece, int $frames): void
    {
        $this->done[$piece] = $frames;
        $this->write(($this->rendering * array_sum($this->done)) / max(1, $this->expected), 'Rendering the sections');
    }

    public function joining(): void
    {
        $this->mustGoOn();
        $this->write($this->rendering, 'Joining');
    }

    public function passing(int $frames): void
    {
        $left = self::RENDERING - $this->rendering;
        $this->write($this->rendering + $left * min(1, $frames / max(1, $this->frames)), 'Writing the file');
    }

    public function checking(): void
    {
        $this->write(0.98, 'Checking the file');
    }

    /** @throws Cancelled when the presenter has cancelled meanwhile */
    public function mustGoOn(): void
    {
        $state = Export::query()->whereKey($this->export->id)->value('state');
        if ($state === WorkState::Cancelled || $state === null) {
            throw Cancelled::byPresenter();
        }
    }

    private function write(float $part, string $doing): void
    {
        $now = microtime(true);
        if ($now - $this->written < self::EVERY_SECONDS) {
            return;
        }
        $this->written = $now;
        if (! $this->export->become(WorkState::Running, [WorkState::Running], ['progress' => $part, 'doing' => $doing])) {
            throw Cancelled::byPresenter();
        }
        if ($this->listener !== null) {
            ($this->listener)($part);
        }
    }
}
