<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Lesson;
use App\Models\Section;
use App\Models\Take;

/** Takes of several tracks. */
trait RecordsTracks
{
    /**
     * Records a take of several tracks with a log, as the browser does.
     *
     * @param  array<string, string>  $files  by kind of track
     * @param  list<mixed>  $events
     */
    private function tracks(Section $section, array $files, array $events): Take
    {
        $take = $this->postJson("/api/sections/{$section->id}/takes", [
            'tracks' => array_map(fn (string $kind): array => ['kind' => $kind, 'mime' => 'video/webm'], array_keys($files)),
        ])
            ->assertCreated()
            ->json();
        $sent = [];
        foreach ($take['tracks'] as $track) {
            $bytes = (string) file_get_contents($files[$track['kind']]);
            $this->sendChunk($track['id'], 0, $bytes)->assertOk();
            $sent[] = ['id' => $track['id'], 'chunks' => 1, 'bytes' => strlen($bytes)];
        }
        foreach (array_chunk($events, 3) as $n => $rows) {
            $this->call(
                'PUT',
                "/api/takes/{$take['id']}/events/". 3 * $n,
                server: ['HTTP_ACCEPT' => 'application/json'],
                content: implode("\n", array_map(fn (mixed $r): string => (string) json_encode($r), $rows)),
            )
                ->assertOk()
                ->assertJson(['next' => 3 * $n + count($rows)]);
        }
        $this->postJson("/api/takes/{$take['id']}/finish", ['tracks' => $sent])->assertOk();

        return Take::query()->findOrFail($take['id']);
    }

    private function lesson(string $script): Lesson
    {
        $id = $this->postJson('/api/lessons', ['title' => 'T', 'width' => 1280, 'height' => 720, 'fps' => 25])
            ->assertCreated()
            ->json('id');
        $this->putJson("/api/lessons/{$id}/script", [
            'text' => $script,
            'revision' => Lesson::query()->findOrFail($id)->revision,
        ])->assertOk();

        return Lesson::query()->findOrFail($id);
    }
}
