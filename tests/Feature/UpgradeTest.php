<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\Program;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Take;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\TakeState;

/**
 * A database and media made by the version before takes had tracks (tests/fixtures/before-tracks): a lesson with slides, cues, a
 * card, takes with and without a camera, one that is being recorded, and its film.
 */
final class UpgradeTest extends FeatureTestCase
{
    private const FROM = __DIR__.'/../fixtures/before-tracks';

    private string $file;

    protected function setUp(): void
    {
        parent::setUp();
        $this->file = tempnam(sys_get_temp_dir(), 'reel').'.sqlite';
        touch($this->file);
        config([
            'database.connections.before' => ['database' => $this->file] + config('database.connections.sqlite'),
            'database.default' => 'before',
        ]);
        DB::setDefaultConnection('before');
        DB::unprepared((string) file_get_contents(self::FROM.'/database.sql'));
        File::copyDirectory(self::FROM.'/media', $this->mediaRoot.'/lessons');
        Artisan::call('migrate', ['--force' => true]);
    }

    protected function tearDown(): void
    {
        DB::setDefaultConnection('sqlite');
        config(['database.default' => 'sqlite']);
        DB::purge('before');
        array_map(unlink(...), glob($this->file.'*') ?: []);
        parent::tearDown();
    }

    public function test_takes_and_films_still_play_and_are_what_they_were(): void
    {
        $lesson = Lesson::query()->sole();
        $sections = $this->toldSections($lesson->id);
        self::assertSame(['filled', 'filled', 'filled', 'filled'], array_column(array_column($sections, 'progress'), 'fill'));
        $kept = $sections[0]['takes'][1];
        self::assertSame([2, 'kept', ['width' => 320, 'height' => 240]], [$kept['number'], $kept['verdict'], $kept['camera']]);
        self::assertSame(
            [300, 1700, true],
            [
                $sections[2]['takes'][0]['used_from_ms'],
                $sections[2]['takes'][0]['used_until_ms'],
                $sections[2]['takes'][0]['trimmed_by_hand'],
            ],
        );
        foreach (array_merge(...array_column($sections, 'takes')) as $take) {
            $this->get($take['media_url'])->assertOk();
        }
        $export = Export::query()->sole();
        $this->get("/api/exports/{$export->id}/file")
            ->assertOk()
            ->assertHeader('Content-Type', 'video/mp4');
    }

    public function test_the_film_made_now_has_the_frames_of_the_film_made_then(): void
    {
        $lesson = Lesson::query()->sole();
        $then = $this->media()->path((string) Export::query()->sole()->path);
        $this->postJson("/api/lessons/{$lesson->id}/exports")
            ->assertStatus(202)
            ->assertJson(['state' => 'done', 'length_ms' => 7040]);
        $now = $this->media()->path((string) Export::query()->latest('id')->firstOrFail()->path);

        self::assertNotSame($then, $now);
        self::assertSame($this->frames($then), $this->frames($now));
    }

    public function test_a_take_that_was_being_recorded_is_finished(): void
    {
        $take = Take::query()->where('state', TakeState::Recording)->sole();
        $this->postJson("/api/takes/{$take->id}/finish", ['as_arrived' => true])->assertOk();

        self::assertSame(TakeState::Ready, $take->refresh()->state);
        self::assertNotNull($take->track(TrackKind::Microphone)?->hash);
    }

    /** @return list<string> a hash of each frame, decoded */
    private function frames(string $film): array
    {
        $output = Program::run(['ffmpeg', '-v', 'error', '-i', $film, '-map', '0:v', '-f', 'framemd5', '-'])['output'];
        preg_match_all('/^0,.*,\s*([0-9a-f]{32})$/m', $output, $rows);

        return $rows[1];
    }
}
