<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\Prober;
use App\Models\Take;
use App\Models\Track;
use Illuminate\Testing\TestResponse;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\TakeState;
use PHPUnit\Framework\Attributes\DataProvider;

final class RecordingTest extends FeatureTestCase
{
    public function test_a_take_is_recorded_in_chunks_and_can_be_played(): void
    {
        $take = $this->record($this->section(), Clips::spoken());

        self::assertSame(TakeState::Ready, $take->state);
        self::assertSame(1, $take->number);
        self::assertSame([320, 240], [$take->track(TrackKind::Camera)?->width, $take->track(TrackKind::Camera)?->height]);
        self::assertSame([], $take->summary->flags);
        self::assertEqualsWithDelta(2.5, $take->summary->length_ticks / 48_000, 0.1);
        // The voice starts at 0.5 s and ends at 2.0 s; 0.3 s and 0.4 s are left around it.
        self::assertEqualsWithDelta(0.2, $take->summary->speech_from / 48_000, 0.06);
        // The sound codec lets the voice ring out for a tenth of a second more.
        self::assertEqualsWithDelta(2.45, $take->summary->speech_until / 48_000, 0.06);

        $media = $this->get("/api/takes/{$take->id}/media", ['Range' => 'bytes=0-99'])->assertStatus(206);
        self::assertSame('video/webm', $media->headers->get('Content-Type'));
        $this->get("/api/takes/{$take->id}/poster")
            ->assertOk()
            ->assertHeader('Content-Type', 'image/jpeg');
        $wave = json_decode(
            (string) $this->get("/api/takes/{$take->id}/wave")
                ->assertOk()
                ->streamedContent(),
            true,
        );
        self::assertGreaterThan(100, max($wave));
        self::assertFileEquals(
            Clips::spoken(),
            $this->media()->path((string) $take->tracks[0]->path),
            'the recording stays until it is not needed any more',
        );
        self::assertSame([], $this->draftsLeft());
    }

    public function test_chunks_may_be_sent_again_but_not_out_of_order(): void
    {
        $track = $this->openTrack();
        $this->sendChunk($track->id, 0, 'first')
            ->assertOk()
            ->assertJson(['next' => 1]);

        $this->sendChunk($track->id, 0, 'first')
            ->assertOk()
            ->assertJson(['next' => 1]);
        $this->sendChunk($track->id, 2, 'third')
            ->assertConflict()
            ->assertJson(['next' => 1]);
        $this->sendChunk($track->id, 1, 'second')->assertOk();

        self::assertSame('firstsecond', file_get_contents($this->media()->path((string) $track->path)));
        self::assertSame(11, $track->refresh()->bytes);
    }

    public function test_a_damaged_chunk_is_refused_and_leaves_nothing(): void
    {
        $track = $this->openTrack();

        $this->sendChunk($track->id, 0, 'changed on the way', hash('sha256', 'as it was'))
            ->assertUnprocessable()
            ->assertJson(['next' => 0]);
        $this->sendChunk($track->id, 0, 'good', 'not even a checksum')->assertUnprocessable();
        $this->sendChunk($track->id, 0, '')->assertUnprocessable();
        $this->sendChunk($track->id, 0, 'good')->assertOk();

        self::assertSame('good', file_get_contents($this->media()->path((string) $track->path)));
    }

    public function test_what_a_crash_left_half_written_is_cut_off(): void
    {
        $track = $this->openTrack();
        $this->sendChunk($track->id, 0, 'first')->assertOk();
        file_put_contents($this->media()->path((string) $track->path), 'half of a ch', FILE_APPEND);

        $this->sendChunk($track->id, 1, 'second')->assertOk();

        self::assertSame('firstsecond', file_get_contents($this->media()->path((string) $track->path)));
    }

    public function test_a_finished_take_takes_no_more(): void
    {
        $take = $this->record($this->section(), Clips::spoken());
        $track = $take->tracks[0];

        $this->sendChunk($track->id, 0, 'again')
            ->assertOk()
            ->assertJson(['next' => $track->next_chunk]);
        $this->sendChunk($track->id, $track->next_chunk, 'more')
            ->assertConflict()
            ->assertJsonFragment(['detail' => 'This take is finished; nothing can be added to it.']);
        $this->call('PUT', "/api/takes/{$take->id}/events/0", content: '{}')->assertConflict();
        $this->postJson("/api/takes/{$take->id}/finish", ['as_arrived' => true])->assertOk();
    }

    public function test_a_take_is_not_finished_before_all_of_it_arrived(): void
    {
        $track = $this->openTrack();
        $this->sendChunk($track->id, 0, 'first')->assertOk();

        $this->postJson("/api/takes/{$track->take_id}/finish", ['tracks' => [['id' => $track->id, 'chunks' => 2, 'bytes' => 11]]])
            ->assertConflict()
            ->assertJson(['next' => [$track->id => 1]]);
        self::assertSame(TakeState::Recording, $track->take->refresh()->state);
    }

    public function test_a_take_cut_off_can_be_used_as_far_as_it_arrived(): void
    {
        $section = $this->section();
        $track = $this->openTrack($section->id);
        $bytes = (string) file_get_contents(Clips::spoken());
        $this->sendChunk($track->id, 0, substr($bytes, 0, (int) (strlen($bytes) * 0.7)))->assertOk();
        $this->travel(1)->minutes();

        self::assertTrue($this->toldTakes($section->id)[0]['cut_off']);
        $this->postJson("/api/takes/{$track->take_id}/finish", ['as_arrived' => true])->assertOk();

        $take = $track->take->refresh();
        self::assertSame(TakeState::Ready, $take->state);
        self::assertGreaterThan(1.0, $take->summary->length_ticks / 48_000);
    }

    public function test_a_take_in_which_nothing_arrived_says_so(): void
    {
        $track = $this->openTrack();
        $this->postJson("/api/takes/{$track->take_id}/finish", ['as_arrived' => true])->assertOk();

        self::assertSame('Nothing arrived from the recorder, so there is nothing to play.', $track->take->refresh()->problem);
        $this->patchJson("/api/takes/{$track->take_id}", ['verdict' => 'kept'])->assertConflict();
    }

    public function test_a_count_down_broken_off_leaves_no_trace(): void
    {
        $track = $this->openTrack();
        $this->deleteJson("/api/takes/{$track->take_id}")->assertNoContent();

        self::assertSame(0, Take::query()->count());
        $again = $this->openTrack();
        self::assertSame(1, $again->take->number);
        $this->sendChunk($again->id, 0, 'something')->assertOk();
        $this->deleteJson("/api/takes/{$again->take_id}")->assertConflict();
    }

    public function test_the_log_grows_row_by_row_whatever_is_sent_twice_or_lost_on_the_way(): void
    {
        $track = $this->openTrack();
        $log = $track->take->folder().'/events.jsonl';
        $this->sendRows($track->take, 0, ['{"at_ms":0,"kind":"line","line":1}', '{"at_ms":900,"kind":"pause"}'])
            ->assertOk()
            ->assertJson(['next' => 2]);
        // Sent again because the answer was lost, with one row more.
        $this->sendRows($track->take, 1, ['{"at_ms":900,"kind":"pause"}', '{"at_ms":950,"kind":"resume"}'])
            ->assertOk()
            ->assertJson(['next' => 3]);
        $this->sendRows($track->take, 5, ['{"at_ms":999,"kind":"finish"}'])
            ->assertConflict()
            ->assertJson(['next' => 3]);
        // What a crash left behind the last row that arrived is cut off.
        file_put_contents($this->media()->path($log), '{"at_ms":9', FILE_APPEND);
        $this->sendRows($track->take, 3, ['{"at_ms":960,"kind":"wave"}'])
            ->assertOk()
            ->assertJson(['next' => 4]);

        $kinds = array_map(
            fn (string $row): string => json_decode($row, true)['kind'],
            explode("\n", trim((string) file_get_contents($this->media()->path($log)))),
        );
        self::assertSame(['line', 'pause', 'resume', 'wave'], $kinds);
        config(['reel.limits.events_bytes' => 200]);
        $this->sendRows($track->take, 4, [str_repeat('x', 200)])->assertUnprocessable();
    }

    public function test_what_arrived_of_the_log_counts_for_a_take_that_was_cut_off(): void
    {
        $section = $this->section();
        $section->lesson->update(['script' => '']);
        $this->putJson("/api/lessons/{$section->lesson_id}/script", [
            'text' => "## A\n\nFirst line. Second line.\n",
            'revision' => $section->lesson->refresh()->revision,
        ])->assertOk();
        $track = $this->openTrack($section->lesson->sections()->firstOrFail()->id);
        $this->sendChunk($track->id, 0, (string) file_get_contents(Clips::spoken()))->assertOk();
        $this->sendRows($track->take, 0, [
            '{"at_ms":0,"kind":"line","line":1}',
            '{"at_ms":1500,"kind":"line","line":2}',
        ])->assertOk();
        $this->postJson("/api/takes/{$track->take_id}/finish", ['as_arrived' => true])->assertOk();

        self::assertSame(72_000, array_values($track->take->refresh()->summary->starts)[1]);
    }

    public function test_a_take_of_several_tracks_has_a_file_of_each_on_one_clock(): void
    {
        $section = $this->section();
        $kinds = [
            'camera' => Clips::spoken(),
            'screen' => Clips::pictureOnly(),
            'computer' => Clips::soundOnly(),
            'microphone' => Clips::stereoWav(),
        ];
        $answer = $this->postJson("/api/sections/{$section->id}/takes", [
            'tracks' => array_map(fn (string $k): array => ['kind' => $k, 'mime' => 'video/webm'], array_keys($kinds)),
        ]);
        $take = Take::query()->findOrFail($answer->assertCreated()->json('id'));
        $sent = [];
        foreach ($take->tracks as $track) {
            $bytes = (string) file_get_contents($kinds[$track->kind->value]);
            $this->sendChunk($track->id, 0, $bytes)->assertOk();
            $sent[] = ['id' => $track->id, 'chunks' => 1, 'bytes' => strlen($bytes)];
        }
        $this->sendRows($take, 0, [
            '{"at_ms":0,"kind":"start","track":"camera"}',
            '{"at_ms":25,"kind":"start","track":"screen"}',
        ])->assertOk();
        $this->postJson("/api/takes/{$take->id}/finish", ['tracks' => $sent])
            ->assertOk()
            ->assertJson(['state' => 'ready', 'problem' => null]);

        $take->refresh();
        self::assertSame([320, 320], [$take->track(TrackKind::Camera)?->width, $take->track(TrackKind::Screen)?->width]);
        self::assertSame(
            [0, 25 * 48],
            [$take->track(TrackKind::Camera)?->offset_ticks, $take->track(TrackKind::Screen)?->offset_ticks],
        );
        self::assertSame(
            ['audio/flac', 'audio/flac'],
            [$take->track(TrackKind::Microphone)?->file_mime, $take->track(TrackKind::Computer)?->file_mime],
        );
        self::assertCount(4, array_unique($take->tracks->pluck('hash')->all()));
        self::assertNotNull($take->track(TrackKind::Microphone)?->loudness);
        $levels = (string) file_get_contents($this->media()->path($take->folder().'/levels.dat'));
        self::assertEqualsWithDelta(250, strlen($levels), 6, 'one a hundredth of a second');
        $this->keep($take);
        $this->postJson("/api/lessons/{$section->lesson_id}/exports")
            ->assertStatus(202)
            ->assertJson(['state' => 'done']);
    }

    /** @param  list<string>  $rows */
    private function sendRows(Take $take, int $from, array $rows): TestResponse
    {
        return $this->call(
            'PUT',
            "/api/takes/{$take->id}/events/{$from}",
            server: ['HTTP_ACCEPT' => 'application/json'],
            content: implode("\n", $rows),
        );
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function flagged(): iterable
    {
        yield 'quiet' => ['quiet', ['very-quiet']];
        yield 'clipped' => ['clipped', ['clipped']];
        yield 'silent' => ['silent', ['silent']];
        yield 'no sound at all' => ['pictureOnly', ['no-sound']];
    }

    /** @param  list<string>  $flags */
    #[DataProvider('flagged')]
    public function test_bad_sound_is_flagged_and_the_take_stays_usable(string $clip, array $flags): void
    {
        $take = $this->record($this->section(), Clips::{$clip}());

        self::assertSame($flags, $take->summary->flags);
        self::assertSame(TakeState::Ready, $take->state);
        self::assertGreaterThan(0, $take->summary->length_ticks);
    }

    public function test_sound_only(): void
    {
        $take = $this->record($this->section(), Clips::soundOnly(), kind: 'microphone');

        self::assertSame(TakeState::Ready, $take->state);
        self::assertNull($take->track(TrackKind::Camera)?->width);
        self::assertSame(
            'audio/flac',
            $this->get("/api/takes/{$take->id}/media")
                ->assertOk()
                ->headers->get('Content-Type'),
        );
    }

    public function test_a_camera_that_changes_its_size_is_brought_to_one(): void
    {
        $take = $this->record($this->section(), Clips::changingSize());

        self::assertSame([320, 240], [$take->track(TrackKind::Camera)?->width, $take->track(TrackKind::Camera)?->height]);
        self::assertFalse(app(Prober::class)->recording($this->media()->path((string) $take->played()?->file_path))->changesSize);
        self::assertEqualsWithDelta(2.4, $take->summary->length_ticks / 48_000, 0.1);
    }

    /** @return iterable<string, array{string}> */
    public static function damaged(): iterable
    {
        yield 'a picture' => [(string) file_get_contents(Clips::slide())];
        yield 'text' => ['This is no film. It only says so.'];
        yield 'a few bytes of film' => [substr((string) file_get_contents(Clips::spoken()), 0, 60)];
        yield 'noise' => [random_bytes(5000)];
    }

    #[DataProvider('damaged')]
    public function test_what_is_no_recording_is_said_to_be_damaged_and_is_kept(string $bytes): void
    {
        $track = $this->openTrack();
        $this->sendChunk($track->id, 0, $bytes)->assertOk();
        $this->postJson("/api/takes/{$track->take_id}/finish", ['as_arrived' => true])->assertOk();

        $take = $track->take->refresh();
        self::assertSame(TakeState::Unusable, $take->state);
        self::assertNotNull($take->problem);
        self::assertSame($bytes, file_get_contents($this->media()->path((string) $track->path)));
    }

    public function test_a_full_disk_is_said_before_recording_and_while_recording(): void
    {
        $section = $this->section();
        $track = $this->openTrack($section->id);
        config(['reel.reserve_bytes' => PHP_INT_MAX]);

        $this->postJson("/api/sections/{$section->id}/takes", ['tracks' => [['kind' => 'camera', 'mime' => 'video/webm']]])
            ->assertStatus(507)
            ->assertJsonPath('detail', fn (string $says): bool => str_contains($says, "server's disk is full"));
        $this->sendChunk($track->id, 0, 'first')->assertStatus(507);

        config(['reel.reserve_bytes' => 0]);
        $this->sendChunk($track->id, 0, 'first')->assertOk();
    }

    public function test_nonsense_is_refused_with_a_sentence(): void
    {
        $section = $this->section();
        $all = [
            [],
            ['tracks' => []],
            ['tracks' => [['kind' => 'radio', 'mime' => 'audio/webm']]],
            ['tracks' => [['kind' => 'camera', 'mime' => 'text/html']]],
        ];
        foreach ($all as $body) {
            $this->postJson("/api/sections/{$section->id}/takes", $body)
                ->assertUnprocessable()
                ->assertJson(['detail' => 'Say which devices are recorded.']);
        }
        $this->getJson('/api/takes/01hzzzzzzzzzzzzzzzzzzzzzzz/media')->assertNotFound();
        $this->getJson('/api/takes/..%2F..%2Fetc%2Fpasswd/media')->assertNotFound();
        self::assertSame(0, Take::query()->count());
    }

    private function openTrack(?string $sectionId = null): Track
    {
        $sectionId ??= $this->section()->id;
        $take = $this->postJson("/api/sections/{$sectionId}/takes", [
            'tracks' => [['kind' => 'camera', 'mime' => 'video/webm']],
        ])->assertCreated();

        return Track::query()->findOrFail($take->json('tracks.0.id'));
    }
}
