<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\Program;
use App\Models\Export;
use App\Models\Take;
use App\Upkeep\Upkeep;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\TakeState;
use PHPUnit\Framework\Attributes\TestWith;

/** What the camera saw is what the film shows: its colours, its picture, its sound. */
final class TruePictureTest extends FeatureTestCase
{
    private const WALL = [217, 228, 227];

    #[TestWith(['pc', 'bt709', true, '640x360'], 'as browsers record a canvas')]
    #[TestWith(['pc', 'bt709', true, '1280x720'])]
    #[TestWith(['tv', 'bt709', true, '640x360'])]
    #[TestWith(['pc', 'bt601', true, '640x360'])]
    #[TestWith(['tv', 'bt601', true, '1280x720'])]
    #[TestWith(['tv', 'bt601', false, '640x360'], 'nothing said, standard definition')]
    #[TestWith(['tv', 'bt709', false, '1280x720'], 'nothing said, HD')]
    #[TestWith(['pc', 'bt709', true, '640x360', 'libx264'])]
    #[TestWith(['tv', 'bt601', true, '640x360', 'libx264'])]
    public function test_colours_are_what_they_were(
        string $range,
        string $matrix,
        bool $tagged,
        string $size,
        string $codec = 'libvpx',
    ): void {
        $section = $this->section();
        $take = $this->keep($this->record($section, Clips::coloured('d9e4e3', $range, $matrix, $tagged, $size, $codec)));
        $this->postJson("/api/lessons/{$section->lesson_id}/exports")
            ->assertStatus(202)
            ->assertJson(['state' => 'done']);

        $film = $this->media()->path((string) Export::query()->sole()->path);
        $this->assertColour(self::WALL, $film, 'in_range=tv:in_color_matrix=bt709');
        $this->get("/api/takes/{$take->id}/poster")->assertOk();
        $this->assertColour(
            self::WALL,
            $this->media()->path($take->folder().'/poster.jpg'),
            'in_range=pc:in_color_matrix=bt601',
        );
        // What Watch plays still says what it said.
        $tags = Program::run([
            'ffprobe',
            '-v',
            'error',
            '-select_streams',
            'v',
            '-show_entries',
            'stream=color_range,color_space',
            '-of',
            'csv=p=0',
            $this->media()->path((string) $take->played()?->file_path),
        ])['output'];
        if ($tagged) {
            self::assertSame("{$range},".['bt601' => 'smpte170m', 'bt709' => 'bt709'][$matrix], trim($tags));
        }
    }

    public function test_takes_read_before_colours_were_noted_are_looked_at_again(): void
    {
        $take = $this->record($this->section(), Clips::coloured('d9e4e3', 'pc', 'bt709', true, '640x360'));
        $take->track(TrackKind::Camera)?->update(['colour_range' => null, 'colour_matrix' => null]);

        app(Upkeep::class)->sweep();
        self::assertSame(
            ['pc', 'bt709'],
            [$take->refresh()->track(TrackKind::Camera)?->colour_range, $take->track(TrackKind::Camera)?->colour_matrix],
        );
    }

    #[TestWith(['mjpeg'])]
    #[TestWith(['png'])]
    public function test_a_camera_that_records_pictures_keeps_its_picture(string $codec): void
    {
        $take = $this->record($this->section(), Clips::ofPictures($codec));

        self::assertSame(
            [TakeState::Ready, 320, 240],
            [$take->state, $take->track(TrackKind::Camera)?->width, $take->track(TrackKind::Camera)?->height],
        );
    }

    public function test_a_picture_attached_to_sound_is_no_camera(): void
    {
        $take = $this->record($this->section(), Clips::withCover());

        self::assertSame([TakeState::Ready, null], [$take->state, $take->track(TrackKind::Camera)?->width]);
    }

    public function test_camera_and_microphone_recorded_apart_are_both_used(): void
    {
        $made = $this->postJson("/api/sections/{$this->section()->id}/takes", [
            'tracks' => [['kind' => 'camera', 'mime' => 'video/webm'], ['kind' => 'microphone', 'mime' => 'audio/webm']],
        ])
            ->assertCreated()
            ->json();
        foreach ([Clips::pictureOnly(), Clips::soundOnly()] as $i => $clip) {
            $this->sendChunk($made['tracks'][$i]['id'], 0, (string) file_get_contents($clip))->assertOk();
        }
        $this->postJson("/api/takes/{$made['id']}/finish", ['as_arrived' => true])->assertOk();

        $take = Take::query()->sole();
        self::assertSame([TakeState::Ready, 320, []], [$take->state, $take->track(TrackKind::Camera)?->width, $take->summary->flags]);
        self::assertNotNull($take->track(TrackKind::Microphone)?->hash);
        self::assertEqualsWithDelta(2.5, $take->summary->length_ticks / 48_000, 0.1);
        $kinds = Program::run([
            'ffprobe',
            '-v',
            'error',
            '-show_entries',
            'stream=codec_type',
            '-of',
            'csv=p=0',
            $this->media()->path((string) $take->played()?->file_path),
        ])['output'];
        self::assertSame(['video', 'audio'], explode("\n", trim($kinds)), 'the picture plays with the sound');
    }

    public function test_the_poster_of_a_camera_that_stopped_early_is_its_last_picture(): void
    {
        $take = $this->record($this->section(), Clips::stalledCamera());

        $this->get("/api/takes/{$take->id}/poster")
            ->assertOk()
            ->assertHeader('Content-Type', 'image/jpeg');
    }

    /** @param  array{int, int, int}  $rgb */
    private function assertColour(array $rgb, string $file, string $input): void
    {
        $pixel = Program::run([
            'ffmpeg',
            '-v',
            'error',
            '-i',
            $file,
            '-frames:v',
            '1',
            '-vf',
            "scale={$input},format=rgb24,crop=1:1:iw/2:ih/2",
            '-f',
            'rawvideo',
            '-',
        ])['output'];
        $found = array_values((array) unpack('C3', $pixel));
        foreach ($rgb as $i => $value) {
            self::assertEqualsWithDelta($value, $found[$i], 3, basename($file).': '.implode(' ', $found));
        }
    }
}
