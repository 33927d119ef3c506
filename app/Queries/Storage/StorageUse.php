<?php

declare(strict_types=1);

namespace App\Queries\Storage;

use App\Media\MediaStore;
use App\Media\RenderCache;
use App\Models\ClearedTake;
use App\Models\Export;
use App\Models\Lesson;
use App\People\CurrentUser;
use App\People\Memberships;
use App\Queries\Film\OlderFilms;
use Illuminate\Support\Facades\DB;

/** What lies on the media disk: by lesson and kind, and what of it can go. */
final class StorageUse
{
    public function __construct(private readonly MediaStore $media, private readonly RenderCache $cache)
    {
    }

    /** @return array<string, mixed> bytes, see resources/js/api/types.ts */
    public function all(): array
    {
        $lessons = [];
        foreach (Memberships::lessons(Lesson::withTrashed())->get()->sortBy('title') as $lesson) {
            $lessons[] = $this->lesson($lesson);
        }
        $known = array_sum(array_column($lessons, 'bytes'));
        // How much others have is nobody's business but the operator's (/metrics).
        $cache = CurrentUser::signsIn() ? null : $this->cache->bytes();

        return [
            'free_bytes' => (int) min($this->media->free(), PHP_INT_MAX),
            'lessons' => $lessons,
            'cache' => $cache === null ? null : ['bytes' => $cache, 'limit' => (int) config('reel.cache_bytes')],
            'other_bytes' => $cache === null ? null : max(0, $this->media->bytesIn('') - $known - $cache),
            'days' => ClearedTake::DAYS,
        ];
    }

    /** @return array<string, mixed> */
    public function lesson(Lesson $lesson): array
    {
        $verdicts = DB::table('takes')
            ->join('sections', 'sections.id', '=', 'takes.section_id')
            ->where('sections.lesson_id', $lesson->id)
            ->pluck('verdict', 'takes.id');
        $cleared = ClearedTake::query()->where('lesson_id', $lesson->id)->get(['id', 'bytes', 'cleared_at']);
        $sums = array_fill_keys(['kept', 'undecided', 'discarded', 'cleared', 'recordings', 'films', 'slides'], 0);
        $isCleared = array_flip($cleared->modelKeys());
        foreach ($this->media->filesIn("lessons/{$lesson->id}") as $name => $file) {
            $parts = explode('/', $name);
            $kind = match (true) {
                $parts[0] === 'exports' => 'films',
                $parts[0] !== 'takes' => 'slides',
                isset($isCleared[$parts[1] ?? '']) => 'cleared',
                str_ends_with($name, '.part') => 'recordings',
                default => $verdicts[$parts[1] ?? ''] ?? 'undecided',
            };
            $sums[$kind] += $file->bytes;
        }
        $older = OlderFilms::of($lesson->id);

        return [
            'id' => $lesson->id,
            'title' => $lesson->title,
            'may' => array_column(Memberships::in($lesson)->rights(), 'value'),
            'deleted' => $lesson->trashed(),
            'bytes' => array_sum($sums),
            'kinds' => $sums,
            'discarded' => $verdicts->filter(fn (string $v): bool => $v === 'discarded')->count(),
            'cleared' => [
                'takes' => $cleared->count(),
                'until' => $cleared->min('cleared_at')?->addDays(ClearedTake::DAYS)->toIso8601ZuluString(),
            ],
            'older_films' => [
                'films' => count($older),
                'bytes' => array_sum(array_map(fn (Export $e): int => $this->media->bytes($e->path), $older)),
            ],
        ];
    }
}
