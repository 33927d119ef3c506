<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Lessons\MakeLesson;
use App\Actions\Script\SaveScript;
use App\Media\MediaStore;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Publication;
use App\Models\WorkState;
use App\Queries\Film\SidecarFile;
use Illuminate\Support\Str;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\SectionText;

/**
 * Twenty presenters who record camera and screen, two hundred viewers and somebody who edits, at once on this machine, which they
 * share with the server. `REEL_LOAD_SECONDS` says for how long, ten minutes unless set, `REEL_LOAD_PRESENTERS` and `REEL_LOAD_VIEWERS`
 * how many there are instead.
 */
final class LoadBench implements Bench
{
    private const PRESENTERS = 20;

    private const VIEWERS = 200;

    private const FILM_BYTES = 60_000_000;

    public function __construct(
        private readonly MakeLesson $make,
        private readonly SaveScript $save,
        private readonly MediaStore $media,
    ) {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        $names = ['chunk_worst_ms', 'chunk_p95_ms', 'api_under_load_p95_ms', 'range_under_load_p95_ms', 'lost_under_load'];
        array_push($names, 'load_server_mb', 'load_server_grown_mb');
        if (array_filter($names, $wanted) === []) {
            return;
        }
        $seconds = (int) (getenv('REEL_LOAD_SECONDS') ?: 600);
        $lesson = $this->lesson();
        $said = json_encode([
            'sections' => $lesson->sections()->pluck('id')->all(), 'lesson' => $lesson->id, 'token' => $this->published($lesson),
            'bytes' => self::FILM_BYTES, 'seconds' => $seconds, 'viewers' => (int) (getenv('REEL_LOAD_VIEWERS') ?: self::VIEWERS),
        ], JSON_THROW_ON_ERROR);
        $printed = Visit::run($folder, 'load.mjs', more: [$said], seconds: $seconds + 120);
        /** @var array<string, int> $found */
        $found = json_decode($printed, true, flags: JSON_THROW_ON_ERROR);

        yield 'chunk_worst_ms' => [$found['chunk_worst'], '<= 2000'];
        yield 'chunk_p95_ms' => [$found['chunk_p95'], '<= 500'];
        yield 'api_under_load_p95_ms' => [$found['call_p95'], '<= 200'];
        yield 'range_under_load_p95_ms' => [$found['range_p95'], '<= 150'];
        yield 'lost_under_load' => [$found['lost'], '<= 0'];
        yield 'load_server_mb' => [$found['memory'], ''];
        yield 'load_server_grown_mb' => [$found['grown'], ''];
    }

    private function lesson(): Lesson
    {
        $sections = array_map(
            fn (int $n): SectionText => new SectionText("Section {$n}", str_repeat('The water falls slowly at first. ', 6)),
            range(1, (int) (getenv('REEL_LOAD_PRESENTERS') ?: self::PRESENTERS)),
        );

        return ($this->save)(($this->make)('Many at once'), Script::compose('Many at once', $sections))->refresh();
    }

    /** @return string the token of a page with a film of an hour or so; what is in it does not matter here */
    private function published(Lesson $lesson): string
    {
        /** @var Export $export */
        $export = $lesson->exports()->create([
            'state' => WorkState::Done, 'draft' => false, 'edition' => [], 'file_name' => 'film.mp4', 'frames' => 90_000,
            'beside' => [], 'started_at' => now(), 'finished_at' => now(),
        ]);
        $path = "lessons/{$lesson->id}/exports/{$export->id}.mp4";
        $this->media->write($path, random_bytes(self::FILM_BYTES));
        $export->update(['path' => $path]);
        $this->media->write(SidecarFile::path($export, SidecarFile::LINES), '{"lines":[],"chapters":[],"sections":[]}');
        /** @var Publication $publication */
        $publication = Publication::query()->create(['lesson_id' => $lesson->id, 'token' => Str::random(24)]);
        $publication->versions()->create(['export_id' => $export->id, 'number' => 1, 'note' => '']);

        return $publication->token;
    }
}
