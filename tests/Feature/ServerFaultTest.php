<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Takes\ClearRecordings;
use App\Jobs\IngestTakeJob;
use App\Media\DiskFull;
use App\Media\Encoder;
use App\Media\FfmpegEncoder;
use App\Media\Program;
use App\Models\Take;
use OpenReel\Core\Take\TakeState;
use PHPUnit\Framework\Attributes\TestWith;

/** A fault of the server costs time, never a recording. */
final class ServerFaultTest extends FeatureTestCase
{
    #[TestWith(['Error writing trailer of sound.flac: No space left on device', true])]
    #[TestWith(['av_interleaved_write_frame(): No space left on device', true])]
    #[TestWith(['    title           : No space left on device', false], 'what a file says of itself')]
    public function test_a_full_disk_is_seen_whatever_the_exit_code(string $log, bool $isFull): void
    {
        if ($isFull) {
            $this->expectException(DiskFull::class);
        }
        self::assertSame($log."\n", Program::run(['sh', '-c', 'echo "$0" >&2', $log])['log']);
    }

    public function test_a_take_waits_while_the_encoder_is_missing_and_is_read_when_it_is_there(): void
    {
        $encoder = app(Encoder::class);
        $this->app->instance(Encoder::class, new FfmpegEncoder('no-such-encoder'));
        $take = $this->record($this->section(), Clips::spoken());
        self::assertSame(TakeState::Ingesting, $take->state);
        self::assertStringContainsString('is not installed on the server', (string) $take->problem);

        $this->app->instance(Encoder::class, $encoder);
        IngestTakeJob::dispatchSync($take->id);
        self::assertSame([TakeState::Ready, null], [$take->refresh()->state, $take->problem]);
    }

    public function test_a_take_waits_while_there_is_no_room_for_it(): void
    {
        $section = $this->section();
        $this->app->instance(Encoder::class, new EncoderSpy(app(Encoder::class), fn () => throw DiskFull::writing('the film')));
        $take = $this->record($section, Clips::spoken());
        self::assertSame(TakeState::Ingesting, $take->state);
        self::assertStringContainsString("server's disk is full", (string) $take->problem);
        self::assertFileEquals(Clips::spoken(), $this->media()->path((string) $take->tracks[0]->path));
        self::assertSame([], $this->draftsLeft());
        $shown = $this->toldTakes($section->id)[0];
        self::assertSame(['ingesting', true], [$shown['state'], $shown['recording_kept']]);
    }

    public function test_room_is_looked_for_before_the_work_begins(): void
    {
        $spy = new EncoderSpy(app(Encoder::class));
        $this->app->instance(Encoder::class, $spy);
        $track = $this->postJson("/api/sections/{$this->section()->id}/takes", [
            'tracks' => [['kind' => 'camera', 'mime' => 'video/webm']],
        ])->json('tracks.0.id');
        $this->sendChunk($track, 0, (string) file_get_contents(Clips::spoken()))->assertOk();
        $take = Take::query()->sole();
        config(['reel.reserve_bytes' => PHP_INT_MAX]);
        $this->postJson("/api/takes/{$take->id}/finish", ['as_arrived' => true])->assertOk();

        self::assertSame(TakeState::Ingesting, $take->refresh()->state);
        self::assertSame([], $spy->kinds());
    }

    public function test_a_film_that_came_out_short_is_not_taken_for_the_take(): void
    {
        $encoder = app(Encoder::class);
        $this->app->instance(
            Encoder::class,
            new EncoderSpy(
                $encoder,
                after: function (array $arguments): void {
                    array_map(fn (string $file) => str_ends_with($file, '.flac') && file_put_contents($file, ''), $arguments);
                },
            ),
        );
        $take = $this->record($this->section(), Clips::spoken());
        self::assertSame(TakeState::Unusable, $take->state);
        self::assertTrue($take->recording_kept);

        $this->app->instance(Encoder::class, $encoder);
        $this->postJson("/api/takes/{$take->id}/read-again")
            ->assertOk()
            ->assertJson(['state' => 'ready', 'problem' => null]);
        self::assertFileEquals(Clips::spoken(), $this->media()->path((string) $take->tracks[0]->path));
    }

    public function test_takes_are_read_again_from_the_command_line(): void
    {
        $take = $this->record($this->section(), Clips::spoken());
        $take->update(['state' => TakeState::Unusable, 'problem' => 'Something was wrong.']);

        $this->artisan('reel:reprocess')->expectsOutputToContain('ready')->assertSuccessful();
        self::assertSame(TakeState::Ready, $take->refresh()->state);
        $this->artisan('reel:reprocess')->expectsOutputToContain('No take has to be read again.')->assertSuccessful();
        $this->artisan('reel:reprocess', ['take' => ['nothing']])
            ->expectsOutputToContain('There is no take nothing.')
            ->assertFailed();
    }

    public function test_a_recording_stays_until_a_film_has_used_it(): void
    {
        $section = $this->section();
        $used = $this->keep($this->record($section, Clips::spoken()));
        $other = $this->record($section, Clips::anotherTake());
        $raw = $this->media()->path((string) $used->tracks[0]->path);
        self::assertFileExists($raw);

        $this->postJson("/api/lessons/{$section->lesson_id}/exports")
            ->assertStatus(202)
            ->assertJson(['state' => 'done']);
        self::assertFileDoesNotExist($raw);
        self::assertFalse($used->refresh()->recording_kept);
        self::assertTrue($other->refresh()->recording_kept);
        $this->postJson("/api/takes/{$used->id}/read-again")
            ->assertConflict()
            ->assertJsonPath('detail', fn (string $says): bool => str_contains($says, 'not there any more'));
    }

    public function test_a_recording_goes_after_a_week_but_not_before_its_film_was_played_to_the_end(): void
    {
        $good = $this->record($this->section(), Clips::spoken());
        $broken = $this->record($this->section(), Clips::spoken());
        $media = $this->media()->path((string) $broken->played()?->file_path);
        file_put_contents($media, substr((string) file_get_contents($media), 0, 9000));

        app(ClearRecordings::class)->old(10);
        self::assertTrue($good->refresh()->recording_kept, 'a week has not gone');
        $this->travel(8)->days();
        app(ClearRecordings::class)->old(10);
        self::assertFalse($good->refresh()->recording_kept);
        self::assertTrue($broken->refresh()->recording_kept);
        self::assertFileExists($this->media()->path((string) $broken->tracks[0]->path));
    }

    public function test_a_recording_goes_when_the_disk_fills_up(): void
    {
        $take = $this->record($this->section(), Clips::spoken());
        config(['reel.reserve_bytes' => (int) $this->media()->free()]);
        app(ClearRecordings::class)->old(10);
        self::assertFalse($take->refresh()->recording_kept);
    }
}
