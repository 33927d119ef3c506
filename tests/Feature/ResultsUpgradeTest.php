<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Takes\AlignTake;
use App\Media\Program;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Take;
use App\Queries\Film\AssembleLesson;
use App\Queries\Takes\TakeFindings;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Take\AlignmentStatus;

/**
 * A database, an archive and a film made by the version in which a take was one row that everybody wrote
 * (tests/fixtures/before-results): a take with false starts that was heard, with cuts, silences and a framing; one that was
 * trimmed by hand, with a restart, a marker and something drawn; a discarded and an undecided one.
 */
final class ResultsUpgradeTest extends FeatureTestCase
{
    private const FROM = __DIR__.'/../fixtures/before-results';

    private string $file;

    /** @var array<string, mixed> what the version before answered */
    private array $told;

    protected function setUp(): void
    {
        parent::setUp();
        // Some of it is called otherwise now.
        $told = strtr((string) file_get_contents(self::FROM.'/told.json'), [
            '"fluffs"' => '"retakes"', '"left"' => '"omitted"', '"hearing"' => '"alignment"', '"reads"' => '"attempts"',
        ]);
        $this->told = (array) json_decode($told, true);
        $this->file = tempnam(sys_get_temp_dir(), 'reel').'.sqlite';
        file_put_contents($this->file, gzdecode((string) file_get_contents(self::FROM.'/database.sqlite.gz')));
        config([
            'database.connections.before' => ['database' => $this->file] + config('database.connections.sqlite'),
            'database.default' => 'before',
        ]);
        DB::setDefaultConnection('before');
        $zip = new \ZipArchive();
        $zip->open(self::FROM.'/lesson.zip');
        $zip->extractTo($this->mediaRoot);
        $zip->close();
        $film = "{$this->mediaRoot}/{$this->told['path']}";
        is_dir(dirname($film)) || mkdir(dirname($film), recursive: true);
        copy(self::FROM.'/film.mp4', $film);
    }

    protected function tearDown(): void
    {
        DB::setDefaultConnection('sqlite');
        config(['database.default' => 'sqlite']);
        DB::purge('before');
        array_map(unlink(...), glob($this->file.'*') ?: []);
        parent::tearDown();
    }

    public function test_takes_verdicts_cuts_framing_and_captions_are_as_before(): void
    {
        $this->upgrade();
        $lesson = Lesson::query()->sole();
        $sections = $this->toldSections($lesson->id);
        foreach ($this->told['sections'] as $n => $was) {
            foreach ($was['takes'] as $m => $take) {
                // The words of what was set aside were not told then.
                $take = $take['lines'] === [] ? array_diff_key($take, ['lines' => true]) : $take;
                self::assertEquals($take, array_intersect_key($sections[$n]['takes'][$m], $take));
            }
            self::assertEquals($was['coverage'], $sections[$n]['coverage']);
            self::assertEquals($was['progress'], $sections[$n]['progress']);
        }
        $heard = $this->told['sections'][0]['takes'][0]['id'];
        self::assertEquals($this->told['heard'], $this->getJson("/api/takes/{$heard}/heard")->json());
        self::assertEquals($this->told['captions'], $this->getJson("/api/lessons/{$lesson->id}/captions")->json('sections'));
    }

    public function test_the_film_has_the_same_frames(): void
    {
        $this->upgrade();
        $lesson = Lesson::query()->sole();
        self::assertSame($this->told['plan'], app(AssembleLesson::class)($lesson)->hash());
        $then = $this->media()->path((string) Export::query()->sole()->path);
        $id = $this->postJson("/api/lessons/{$lesson->id}/exports")->assertJson(['state' => 'done'])->json('id');
        $now = $this->media()->path((string) Export::query()->findOrFail($id)->path);
        self::assertSame($this->frames($then), $this->frames($now));
    }

    public function test_an_archive_of_that_version_comes_in(): void
    {
        $this->upgrade();
        $bytes = (string) file_get_contents(self::FROM.'/lesson.zip');
        $id = $this->postJson('/api/archives', ['name' => 'lesson.zip'])->assertCreated()->json('id');
        foreach (str_split($bytes, 1_000_000) as $n => $chunk) {
            $this->call('PUT', "/api/archives/{$id}/chunks/{$n}", server: [
                'HTTP_ACCEPT' => 'application/json', 'HTTP_X_CHUNK_SHA256' => hash('sha256', $chunk),
            ], content: $chunk)->assertOk();
        }
        $this->postJson("/api/archives/{$id}/finish", ['bytes' => strlen($bytes)])->assertStatus(202);
        $made = $this->getJson("/api/archives/{$id}")->assertJson(['state' => 'done'])->json('made.0');

        self::assertTrue($made['same'], 'it makes the same film');
        $takes = array_column($this->toldSections($made['id']), 'takes');
        foreach (['used_from_ms', 'used_until_ms', 'omitted', 'cuts', 'tightened', 'markers', 'alignment', 'verdict', 'retakes'] as $key) {
            self::assertSame(
                array_map(fn (array $s): array => array_column($s['takes'], $key), $this->told['sections']),
                array_map(fn (array $all): array => array_column($all, $key), $takes),
                $key,
            );
        }
    }

    public function test_a_take_that_is_not_sure_any_more_has_the_prompters_times_again(): void
    {
        $this->upgrade();
        $take = Take::query()->findOrFail($this->told['sections'][0]['takes'][0]['id']);
        $found = TakeFindings::of($take);
        self::assertSame(AlignmentStatus::Sure, $found->alignment?->status);
        $heard = $found->ingest?->timings->starts;

        $others = ['Butter.', 'Flour and eggs, two of each, and then a pinch of salt for good measure in the end.'];
        $lines = array_map(fn (array $l, string $text): array => ['text' => $text] + $l, array_slice($take->lines, 0, 2), $others);
        $take->update(['lines' => $lines]);
        app(AlignTake::class)($take->refresh());

        self::assertSame(AlignmentStatus::Unsure, $take->refresh()->summary->alignment);
        $now = TakeFindings::of($take);
        self::assertNotEquals($heard, $now->ingest?->timings->starts);
        self::assertSame(2, $take->results()->where('stage', 'ingest')->count(), 'what was found out before stays');
    }

    public function test_what_was_cleared_by_that_version_can_still_be_brought_back(): void
    {
        $id = DB::table('takes')->where('hearing', 'sure')->value('id');
        $take = (array) DB::table('takes')->where('id', $id)->first();
        $tracks = DB::table('tracks')->where('take_id', $id)->get()->map(fn (\stdClass $row): array => (array) $row)->all();
        DB::table('cleared_takes')->insert([
            'id' => $id, 'lesson_id' => DB::table('lessons')->value('id'), 'number' => 1, 'bytes' => 1, 'cleared_at' => now(),
            'record' => json_encode(['take' => $take, 'tracks' => $tracks]),
        ]);
        DB::table('takes')->where('id', $id)->delete();
        $this->upgrade();

        $lesson = Lesson::query()->sole();
        $this->postJson("/api/lessons/{$lesson->id}/cleared-takes/restore")->assertOk()->assertJson(['takes' => 1]);
        $was = $this->told['sections'][0]['takes'][0];
        $is = $this->toldSections($lesson->id)[0]['takes'][0];
        self::assertEquals($was, array_intersect_key($is, $was));
        self::assertSame($this->told['plan'], app(AssembleLesson::class)($lesson)->hash());
    }

    private function upgrade(): void
    {
        Artisan::call('migrate', ['--force' => true]);
    }

    /** @return string a hash of each frame of its picture, in order */
    private function frames(string $film): string
    {
        return Program::run(['ffmpeg', '-v', 'error', '-i', $film, '-map', '0:v:0', '-f', 'framemd5', '-'])['output'];
    }
}
