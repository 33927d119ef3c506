<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Takes\AlignTake;
use App\Actions\Takes\KeepResult;
use App\Jobs\AlignTakesJob;
use App\Jobs\UnpackArchiveJob;
use App\Media\Archive;
use App\Media\Program;
use App\Media\Schema;
use App\Media\WorkLock;
use App\Models\ArchiveImport;
use App\Models\CaptionRow;
use App\Models\Course;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\Slide;
use App\Models\Take;
use App\Queries\Film\AssembleLesson;
use App\Queries\Script\SpokenLines;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use OpenReel\Core\Archive\ArchiveError;
use OpenReel\Core\Archive\Manifest;
use OpenReel\Core\Take\AnalysisResult;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** A lesson or a course as one file, out and in again. */
final class ArchiveTest extends FeatureTestCase
{
    private const SAYS = [['So leave a margin under your keel.', 1.0, 0.8], ['High water is at a quarter past seven.', 1.0, 0.8]];

    /** An archive to be spoiled: to hear the words of its take takes seconds. */
    private static ?string $made = null;

    public function test_out_and_in_again_it_makes_the_same_film_and_everything_can_be_changed_as_before(): void
    {
        $lesson = $this->lesson();
        $plan = app(AssembleLesson::class)($lesson)->hash();
        $zip = $this->taken("/api/lessons/{$lesson->id}/archive.zip");
        // Other programs can look into it.
        self::assertStringContainsString('No errors detected', Program::run(['unzip', '-t', $zip])['output']);
        self::assertSame($lesson->script, Program::run(['unzip', '-p', $zip, "lessons/{$lesson->id}/script.md"])['output']);

        // Somewhere else, where there is nothing.
        $this->clear();
        $arrival = $this->bring($zip)->assertAccepted()->json();
        self::assertSame(['done', null], [$arrival['state'], $arrival['problem']]);
        self::assertTrue($arrival['made'][0]['same']);
        $made = Lesson::query()->sole();
        self::assertSame([$arrival['made'][0]['id'], $lesson->title], [$made->id, $made->title]);
        self::assertNotSame($lesson->id, $made->id);
        self::assertSame($plan, app(AssembleLesson::class)($made)->hash());
        self::assertSame($lesson->script, $made->script);
        self::assertSame('Reading the Water', $made->course?->name);
        self::assertSame('0B5D66', $made->course->style['accent']);

        $take = Take::query()->sole();
        self::assertSame('kept', $take->verdict->value);
        self::assertStringContainsString($take->id, (string) $take->played()?->file_path);
        $heard = $this->getJson("/api/takes/{$take->id}/heard")->assertOk()->json();
        self::assertSame('sure', $heard['state']);
        $this->get("/api/takes/{$take->id}/wave")->assertOk();
        $this->get('/api/slides/'.Slide::query()->sole()->id.'/picture')->assertOk();
        self::assertSame(['Leave a margin.'], CaptionRow::query()->sole()->rows);
        $this->postJson("/api/lessons/{$made->id}/exports")->assertJson(['state' => 'done']);

        // A second time it is a lesson of its own, in the same course.
        $again = $this->bring($zip)->json();
        self::assertTrue($again['made'][0]['same']);
        self::assertSame(2, Lesson::query()->count());
        self::assertSame(1, Course::query()->count());
        self::assertSame([], $this->draftsLeft());
        self::assertSame([], glob($this->mediaRoot.'/arrivals/*') ?: []);
    }

    public function test_a_course_comes_with_its_lessons_and_its_logo(): void
    {
        $course = Course::query()->create(['name' => 'Reading the Water', 'style' => []]);
        $logo = UploadedFile::fake()->image('mark.png', 40, 20);
        $id = $this->post("/api/courses/{$course->id}/logos", ['file' => $logo])->assertCreated()->json('id');
        $this->patchJson("/api/courses/{$course->id}", ['style' => ['logo' => $id]])->assertOk();
        foreach (['Tides', 'Creeks'] as $title) {
            $this->postJson('/api/lessons', ['title' => $title, 'course_id' => $course->id])->assertCreated();
        }
        $zip = $this->taken("/api/courses/{$course->id}/archive.zip");

        $made = $this->bring($zip)->assertJson(['state' => 'done'])->json('made');
        self::assertSame(['Tides', 'Creeks'], array_column($made, 'title'));
        $brought = Course::query()->where('id', '!=', $course->id)->sole();
        self::assertSame('Reading the Water', $brought->name);
        self::assertSame(2, $brought->lessons()->count());
        $own = $brought->logos()->sole();
        self::assertSame($brought->style['logo'], $own->id);
        self::assertNotSame($id, $own->id);
        // The picture is here once, and both show it.
        $this->get("/api/logos/{$own->hash}")->assertOk();
    }

    /** @param  callable(string): string  $spoil  path of the archive that is brought in */
    #[DataProvider('hostile')]
    public function test_what_is_not_whole_or_means_harm_leaves_nothing(callable $spoil, string $says): void
    {
        self::$made ??= $this->taken("/api/lessons/{$this->lesson()->id}/archive.zip");
        $this->clear();
        copy((string) self::$made, $zip = tempnam(sys_get_temp_dir(), 'zip').'.zip');

        $arrival = $this->bring($spoil($zip))->assertAccepted()->json();
        self::assertSame('failed', $arrival['state']);
        self::assertStringContainsString($says, $arrival['problem']);
        self::assertSame([0, 0, 0], [DB::table('lessons')->count(), DB::table('takes')->count(), DB::table('courses')->count()]);
        $left = array_filter(File::allFiles($this->mediaRoot, true), fn (\SplFileInfo $f): bool => $f->getFilename() !== '.lock');
        self::assertSame([], array_map(strval(...), $left));
    }

    /** @return array<string, array{callable(string): string, string}> */
    public static function hostile(): array
    {
        $none = 'no archive of a lesson';
        $change = fn (callable $how): callable => fn (string $zip): string => self::rewritten($zip, $how);
        $media = fn (array $files): string => array_values(preg_grep('/media\.|sound\./', array_keys($files)) ?: [])[0];
        $said = fn (callable $how): callable => $change(function (array $files) use ($how): array {
            $manifest = json_decode($files[Manifest::NAME]);
            $how($manifest);

            return [Manifest::NAME => self::written($manifest)] + $files;
        });

        return [
            'cut off' => [function (string $zip): string {
                file_put_contents($zip, substr((string) file_get_contents($zip), 0, -3000));

                return $zip;
            }, $none],
            'no archive at all' => [function (string $zip): string {
                file_put_contents($zip, 'So leave a margin.');

                return $zip;
            }, $none],
            'without a manifest' => [$change(fn (array $f): array => array_diff_key($f, [Manifest::NAME => 1])), $none],
            'a take is missing' => [$change(fn (array $f): array => array_diff_key($f, [$media($f) => 1])), 'is not in it'],
            'a take is another' => [
                $change(fn (array $f): array => [$media($f) => strrev($f[$media($f)])] + $f), 'not what it was',
            ],
            'a take is longer' => [
                $change(fn (array $f): array => [$media($f) => $f[$media($f)].'more'] + $f), 'not what it was',
            ],
            'a take that is a list of other files' => [function (string $zip) use ($media): string {
                return self::rewritten($zip, function (array $files) use ($media): array {
                    $name = $media($files);
                    $files[$name] = "ffconcat version 1.0\nfile /etc/passwd\n";
                    $was = $hash = '';
                    $manifest = json_decode($files[Manifest::NAME]);
                    foreach ($manifest->files as $file) {
                        if ($file->name === $name) {
                            [$was, $hash] = [$file->sha256, $file->sha256 = hash('sha256', $files[$name])];
                            $file->bytes = strlen($files[$name]);
                        }
                    }
                    $files[Manifest::NAME] = str_replace($was, $hash, self::written($manifest));

                    return $files;
                });
            }, 'belongs to no lesson'],
            'a column that is none' => [$said(fn ($m) => $m->lessons[0]->course_id = 'x'), $none],
            'a number that is none' => [$said(fn ($m) => $m->lessons[0]->takes[0]->results->ingest[0]->result->length = 'x'), $none],
            'a take of another section' => [
                $said(fn ($m) => $m->lessons[0]->takes[0]->section_id = str_repeat('0', 26)), 'do not belong together',
            ],
            'places that nobody can read' => [
                $said(fn ($m) => $m->lessons[0]->takes[0]->results->ingest[0]->result->anchors = [new \stdClass()]), $none,
            ],
            'a deck that says what to put back' => [$said(function ($m): void {
                $m->lessons[0]->decks[] = (object) [
                    'id' => str_repeat('0', 26), 'name' => 'x', 'path' => 'x', 'purpose' => 'replace', 'done' => 1, 'total' => 1,
                    'report' => (object) ['before' => (object) [$m->lessons[0]->slides[0]->id => ['path' => '../../.env']]],
                ];
            }), $none],
            'a slide that is another file' => [
                $said(fn ($m) => $m->lessons[0]->slides[0]->path = '../../.env'), 'belongs to no lesson',
            ],
            'a take longer than anybody speaks' => [
                $said(fn ($m) => $m->lessons[0]->takes[0]->results->ingest[0]->result->length = 2 ** 53), $none,
            ],
            'a frame that is not offered' => [$said(fn ($m) => $m->lessons[0]->width = 16_384), $none],
            'a day that is none' => [$said(fn ($m) => $m->lessons[0]->takes[0]->created_at = '2026-13-41 99:00:00'), $none],
            'something unknown in a take' => [$said(fn ($m) => $m->lessons[0]->takes[0]->results->alignment[0]->result->more = 1), $none],
            'a caption of a line elsewhere' => [
                $said(fn ($m) => $m->lessons[0]->captions[0]->line_id = str_repeat('0', 26)), 'do not belong together',
            ],
            'thousands of lessons' => [
                $said(fn ($m) => $m->lessons = array_fill(0, 6000, new \stdClass())), 'more than a lesson or a course can have',
            ],
            'millions of lists in a manifest' => [
                $change(fn (array $f): array => [Manifest::NAME => '['.str_repeat('[],', 1_600_000).'[]]'] + $f),
                'more than a lesson or a course can have',
            ],
            'a manifest that unpacks to a thousand times as much' => [
                fn (string $zip): string => self::packed($zip, fn (array $f): array => [
                    Manifest::NAME => $f[Manifest::NAME].str_repeat(' ', 40_000_000),
                ] + $f),
                'unpacks to far more than it is',
            ],
            'a wave that unpacks to a thousand times as much' => [
                fn (string $zip): string => self::packed($zip, function (array $files): array {
                    $name = array_values(preg_grep('/wave\.json/', array_keys($files)) ?: [])[0];
                    $files[$name] = str_repeat(' ', 40_000_000).'[]';
                    $manifest = json_decode($files[Manifest::NAME]);
                    foreach ($manifest->files as $file) {
                        $file->name === $name && $file->bytes = strlen($files[$name]);
                    }

                    return [Manifest::NAME => self::written($manifest)] + $files;
                }),
                'more than a lesson or a course can have',
            ],
            'made by a newer version' => [$said(fn ($m) => $m->version = 9), 'newer Open Reel'],
        ];
    }

    public function test_a_take_without_its_log_is_heard_and_one_that_cannot_be_heard_keeps_no_other_waiting(): void
    {
        self::$made ??= $this->taken("/api/lessons/{$this->lesson()->id}/archive.zip");
        $this->clear();
        copy((string) self::$made, $zip = tempnam(sys_get_temp_dir(), 'zip').'.zip');
        $changed = self::rewritten($zip, function (array $files): array {
            $manifest = json_decode($files[Manifest::NAME]);
            $log = array_values(preg_grep('/events\.jsonl/', array_keys($files)) ?: [])[0] ?? '';
            $manifest->files = array_values(array_filter($manifest->files, fn (\stdClass $f): bool => $f->name !== $log));
            $take = $manifest->lessons[0]->takes[0];
            [$take->results->alignment, $take->verdict] = [[], 'undecided'];
            $take->given = [(object) ['line' => $take->lines[0]->id, 'within' => 0.5, 'cue' => '[layout: slide]']];

            return [Manifest::NAME => self::written($manifest)] + array_diff_key($files, [$log => 1]);
        });
        config(['reel.hear' => false]);
        $this->bring($changed)->assertJson(['state' => 'done']);
        $take = Take::query()->sole();
        self::assertNull($take->summary->alignment);

        // Another one, newer, of which hearing fails each time for a reason that nobody foresaw.
        $bad = $take->replicate()->fill(['id' => strtolower((string) Str::ulid()), 'number' => 2]);
        $bad->save();
        $bad->tracks()->create($take->tracks()->sole()->only([
            'kind', 'file_path', 'file_mime', 'hash', 'length_ticks', 'offset_ticks',
        ]));
        $bad->forceFill(['created_at' => now()->addHour()])->save();
        app(KeepResult::class)->analysis($bad->refresh(), new AnalysisResult());
        DB::table('takes')->where('id', $bad->id)->update(['lines' => '[{"id":"x"}]']);
        for ($round = 0; $round < 3; $round++) {
            app()->call([new AlignTakesJob(), 'handle']);
        }
        self::assertSame('sure', $take->refresh()->summary->alignment?->value);
        self::assertSame('failed', $bad->refresh()->summary->alignment?->value);
    }

    /** Lessons as nobody would make them on purpose: whatever can be made here comes out and in again, and is the same film. */
    #[DataProvider('seeds')]
    public function test_odd_lessons_come_out_and_in_again(int $seed): void
    {
        $random = new Randomizer(new Mt19937($seed));
        $one = fn (array $of): mixed => $of[$random->getInt(0, count($of) - 1)];
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180]);
        $texts = [
            '', 'So leave a margin. ', '"Quoted" {braces} \\ back. ', '👩‍🚀 goes. ', 'שלום. ',
            '[pause 2 s] After it. ', "Row\n\nTwo. ",
        ];
        $sections = Section::factory()->count($random->getInt(1, 4))->for($lesson)->create();
        $sections->each(fn (Section $s) => $this->patchJson("/api/sections/{$s->id}", [
            'heading' => $one(['', 'High', 'A "B" \\ {c}']),
            'script' => implode('', array_map(fn (): string => $one($texts), range(1, $random->getInt(1, 4)))),
        ])->assertOk());
        foreach ($sections as $section) {
            for ($n = $random->getInt(0, 2); $n > 0; $n--) {
                $length = $random->getInt(1, 960_000);
                $used = $one([null, null, [], [[0, $length]], [[0, 1]]]);
                Take::factory()->for($section)->create([
                    'number' => $n, 'length_ticks' => $length, 'trim' => $used,
                    'verdict' => $one(['kept', 'undecided', 'discarded']),
                    'cuts' => $one([[], [[0, $length]], [[0, intdiv($length, 2)]]]), 'speech_from' => $one([null, 0]),
                    'speech_until' => $one([null, $length]),
                ] + SpokenLines::asTaken($section->refresh()));
            }
        }
        foreach (DB::table('lines')->where('lesson_id', $lesson->id)->pluck('id') as $line) {
            CaptionRow::query()->create([
                'lesson_id' => $lesson->id, 'line_id' => $line, 'word' => $random->getInt(0, 9), 'was' => 'x',
                'rows' => $one([[], ['a']]), 'checked' => false,
            ]);
        }
        // Lines that captions hang on go from the script, sections with takes are deleted.
        $this->patchJson("/api/sections/{$sections[0]->id}", ['script' => 'Other words.'])->assertOk();
        $random->getInt(0, 1) === 1 && $this->deleteJson("/api/sections/{$sections->last()?->id}");
        $hash = fn (Lesson $l): string => app(AssembleLesson::class)($l)->hash();
        $was = $hash($lesson->refresh());

        $zip = $this->taken("/api/lessons/{$lesson->id}/archive.zip");
        $made = $this->bring($zip)->assertJson(['state' => 'done', 'problem' => null])->json('made');
        self::assertTrue($made[0]['same']);
        $again = Lesson::query()->whereKey($made[0]['id'])->sole();
        self::assertSame([$was, $lesson->script], [$hash($again), $again->script]);
        $this->getJson("/api/lessons/{$again->id}")->assertOk();
        $this->getJson('/api/lessons')->assertOk();
    }

    /** @return array<int, array{int}> */
    public static function seeds(): array
    {
        return array_map(fn (int $n): array => [$n], array_combine(range(1, 12), range(1, 12)));
    }

    public function test_nothing_beyond_a_limit_of_the_schema_is_taken(): void
    {
        $manifest = $this->manifest();
        Schema::mustHold(json_decode($manifest), 'archive-2.json');
        $edges = (new ArchiveSchema())->edges(json_decode($manifest));
        [$tried, $taken] = [0, []];
        foreach ($edges as ['at' => $at, 'beyond' => $beyond]) {
            foreach ($beyond as $value) {
                $spoilt = json_decode($manifest);
                ArchiveSchema::put($spoilt, $at, $value);
                $tried++;
                try {
                    Schema::mustHold($spoilt, 'archive-2.json');
                    $taken[] = implode('.', $at).' may be '.substr((string) json_encode($value), 0, 40);
                } catch (ArchiveError) {
                }
            }
        }
        self::assertSame([], $taken);
        self::assertGreaterThan(300, $tried);
    }

    /** What the schema allows may be nonsense all the same: it comes in and can be worked with, or is refused in words. */
    #[TestWith([1])]
    #[TestWith([2])]
    #[TestWith([3])]
    public function test_what_the_schema_just_allows_ends_in_no_fault(int $seed): void
    {
        $manifest = $this->manifest();
        $this->clear();
        $edges = (new ArchiveSchema())->edges(json_decode($manifest));
        $edges = array_filter($edges, fn (array $one): bool => $one['within'] !== []);
        $random = new Randomizer(new Mt19937($seed));
        $one = fn (array $of): mixed => array_values($of)[$random->getInt(0, count($of) - 1)];
        for ($case = 0; $case < 8; $case++) {
            ['at' => $at, 'within' => $within] = $one($edges);
            $odd = json_decode($manifest);
            ArchiveSchema::put($odd, $at, $value = $one($within));
            $what = implode('.', $at).' = '.substr((string) json_encode($value), 0, 60);
            copy((string) self::$made, $zip = tempnam(sys_get_temp_dir(), 'zip').'.zip');
            $answer = $this->bring(self::rewritten($zip, fn (array $files): array => [
                ...$files, 'manifest.json' => self::written($odd),
            ]));
            self::assertLessThan(500, $answer->getStatusCode(), $what);
            self::assertContains($answer->json('state'), ['done', 'failed'], $what);
            self::assertStringNotContainsString('fault in the server', (string) $answer->json('problem'), $what);
            if ($answer->json('state') === 'failed') {
                self::assertNotSame('', (string) $answer->json('problem'), $what);
                self::assertSame(0, Lesson::query()->count(), $what);
            }
            foreach (Lesson::query()->pluck('id') as $id) {
                foreach (['', '/assembly', '/script', '/captions', '/slides', '/history'] as $part) {
                    self::assertLessThan(500, $this->getJson("/api/lessons/{$id}{$part}")->getStatusCode(), "{$what} {$part}");
                }
                self::assertLessThan(500, $this->get("/api/lessons/{$id}/archive.zip")->getStatusCode(), $what);
            }
            $this->clear();
        }
    }

    /** @return string of the archive that is spoiled */
    private function manifest(): string
    {
        self::$made ??= $this->taken("/api/lessons/{$this->lesson()->id}/archive.zip");
        $zip = new \ZipArchive();
        $zip->open((string) self::$made);

        return (string) $zip->getFromName('manifest.json');
    }

    public function test_of_a_house_style_only_what_one_can_be_is_kept(): void
    {
        $said = json_decode($this->manifest());
        $said->course->style = (object) ['accent' => '0B5D66', 'ink' => 7, 'wallpaper' => 'blue'];
        $said->lessons[0]->style = (object) ['layout' => 'upside-down', 'count_down' => 5];
        $this->clear();
        copy((string) self::$made, $zip = tempnam(sys_get_temp_dir(), 'zip').'.zip');
        $this->bring(self::rewritten($zip, fn (array $files): array => [
            ...$files, 'manifest.json' => self::written($said),
        ]))->assertJson(['state' => 'done']);
        self::assertSame(['accent' => '0B5D66'], Course::query()->sole()->style);
        self::assertSame(['count_down' => 5], Lesson::query()->sole()->style);
    }

    public function test_one_is_unpacked_at_a_time_and_whatever_waits_holds_no_worker(): void
    {
        $this->manifest();
        $this->clear();
        copy((string) self::$made, $zip = tempnam(sys_get_temp_dir(), 'zip').'.zip');
        $turn = WorkLock::tryFor('unpacking');
        self::assertNotNull($turn);
        $waiting = $this->bring($zip)->assertAccepted()->json();
        self::assertSame(['waiting', 0], [$waiting['state'], Lesson::query()->count()]);
        $turn->release();
        UnpackArchiveJob::dispatchSync($waiting['id']);
        self::assertSame('done', $this->getJson("/api/archives/{$waiting['id']}")->assertOk()->json('state'));
        self::assertSame(1, Lesson::query()->count());
    }

    public function test_only_so_much_is_on_its_way_for_one_person(): void
    {
        for ($n = 0; $n < 3; $n++) {
            $id = $this->postJson('/api/archives', ['name' => 'Tides.zip'])->assertCreated()->json('id');
        }
        $fourth = $this->postJson('/api/archives', ['name' => 'x'])->assertStatus(409)->json('detail');
        self::assertStringContainsString('Three archives', $fourth);
        config(['reel.limits.archive_bytes' => 5]);
        $this->piece($id, 0, 'abcde')->assertOk();
        self::assertStringContainsString('64 GB together', $this->piece($id, 1, 'f')->assertStatus(422)->json('detail'));
        $this->postJson("/api/archives/{$id}/cancel")->assertOk();
        $this->postJson('/api/archives', ['name' => 'x'])->assertCreated();
    }

    public function test_what_cannot_be_taken_out_whole_is_not_taken_out(): void
    {
        $lesson = $this->lesson();
        $path = (string) Take::query()->sole()->played()?->file_path;
        $kept = (string) file_get_contents($this->media()->path($path));
        $this->media()->delete($path);
        $this->getJson("/api/lessons/{$lesson->id}/archive.zip")->assertStatus(409);
        self::assertSame([], $this->draftsLeft());
        $this->media()->write($path, $kept);

        // Slides whose deck is lost are slides all the same.
        $deck = $lesson->decks()->create([
            'name' => 'Tides.pdf', 'path' => "lessons/{$lesson->id}/decks/gone.pdf", 'purpose' => 'replace', 'state' => 'done',
        ]);
        Slide::query()->update(['deck_id' => $deck->id, 'page' => 1]);
        $zip = $this->taken("/api/lessons/{$lesson->id}/archive.zip");
        $made = $this->bring($zip)->assertJson(['state' => 'done'])->json('made');
        self::assertTrue($made[0]['same']);
        self::assertNull(Slide::query()->where('lesson_id', $made[0]['id'])->sole()->deck_id);
    }

    public function test_what_arrives_in_pieces_goes_on_where_it_stopped_and_can_be_given_up(): void
    {
        $this->postJson('/api/archives', [])->assertStatus(422);
        $id = $this->postJson(
            '/api/archives', ['name' => "Tides\n.zip"],
        )->assertCreated()->assertJson(['name' => 'Tides .zip'])->json('id');
        $this->piece($id, 1, 'b')->assertStatus(409)->assertJson(['next' => 0]);
        $this->piece($id, 0, 'a')->assertJson(['next' => 1]);
        $this->piece($id, 0, 'a')->assertJson(['next' => 1]);
        $this->piece($id, 1, 'b', 'not its hash')->assertStatus(422);
        $this->postJson("/api/archives/{$id}/finish", ['bytes' => 2])->assertStatus(409)->assertJson(['next' => 1]);
        $this->getJson("/api/archives/{$id}")->assertJson(['state' => 'waiting', 'next_chunk' => 1]);
        $this->getJson('/api/archives')->assertJsonPath('0.id', $id);

        $this->postJson("/api/archives/{$id}/cancel")->assertJson(['state' => 'cancelled']);
        self::assertFalse($this->media()->exists(ArchiveImport::query()->sole()->path));
        $this->piece($id, 1, 'b')->assertStatus(409);
    }

    private function lesson(): Lesson
    {
        $course = Course::query()->create(['name' => 'Reading the Water', 'style' => ['accent' => '0B5D66']]);
        $section = Section::factory()->for(Lesson::factory()->state([
            'width' => 320, 'height' => 180, 'course_id' => $course->id,
        ]))->create();
        $lesson = $section->lesson;
        $this->post(
            "/api/lessons/{$lesson->id}/slides",
            ['files' => [UploadedFile::fake()->image('Curve.png', 64, 36)], 'fill' => 1],
        );
        $script = '[slide: Curve] So leave a margin [emphasis: box 10 10 20 20] under your keel. '
            .'High water is at a quarter past seven.';
        $this->patchJson("/api/sections/{$section->id}", ['script' => $script])->assertOk();
        $take = $this->keep($this->record($section, Stumbling::take('archived', self::SAYS)[0], kind: 'microphone'));
        app(AlignTake::class)($take);
        $line = DB::table('lines')->where('lesson_id', $lesson->id)->whereNotNull('position')->orderBy('position')->value('id');
        CaptionRow::query()->create([
            'lesson_id' => $lesson->id, 'line_id' => $line, 'word' => 0, 'was' => 'So leave a margin under your keel.',
            'rows' => ['Leave a margin.'], 'checked' => true,
        ]);

        return $lesson->refresh();
    }

    private function clear(): void
    {
        DB::table('lessons')->delete();
        DB::table('courses')->delete();
        File::deleteDirectory($this->mediaRoot);
    }

    /** @return string path of a copy: what is given is gone when it has been sent */
    private function taken(string $address): string
    {
        $copy = tempnam(sys_get_temp_dir(), 'zip').'.zip';
        copy($this->fileOf($this->get($address)->assertOk())->getPathname(), $copy);

        return $copy;
    }

    private function bring(string $zip): TestResponse
    {
        $id = $this->postJson('/api/archives', ['name' => basename($zip)])->assertCreated()->json('id');
        $bytes = (string) file_get_contents($zip);
        foreach (str_split($bytes, 100_000) as $number => $chunk) {
            $this->piece($id, $number, $chunk)->assertOk();
        }

        return $this->postJson("/api/archives/{$id}/finish", ['bytes' => strlen($bytes)]);
    }

    private function piece(string $id, int $number, string $bytes, ?string $hash = null): TestResponse
    {
        return $this->call(
            'PUT',
            "/api/archives/{$id}/chunks/{$number}",
            server: ['HTTP_ACCEPT' => 'application/json', 'HTTP_X_CHUNK_SHA256' => $hash ?? hash('sha256', $bytes)],
            content: $bytes,
        );
    }

    private static function written(\stdClass $manifest): string
    {
        return json_encode($manifest, JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR);
    }

    /**
     * The same, with what is in it packed.
     *
     * @param  callable(array<string, string>): array<string, string>  $how  content by name
     */
    private static function packed(string $zip, callable $how): string
    {
        $from = new \ZipArchive();
        $from->open(self::rewritten($zip, $how));
        $to = new \ZipArchive();
        $to->open("{$zip}.packed", \ZipArchive::CREATE);
        for ($i = 0; $i < $from->numFiles; $i++) {
            $to->addFromString((string) $from->getNameIndex($i), (string) $from->getFromIndex($i));
        }
        $to->close();

        return "{$zip}.packed";
    }

    /** @param  callable(array<string, string>): array<string, string>  $how  content by name */
    private static function rewritten(string $zip, callable $how): string
    {
        $from = new \ZipArchive();
        $from->open($zip);
        $files = [];
        for ($i = 0; $i < $from->numFiles; $i++) {
            $files[(string) $from->getNameIndex($i)] = (string) $from->getFromIndex($i);
        }
        $from->close();
        $archive = new Archive($zip);
        foreach ($how($files) as $name => $content) {
            $archive->addText($name, $content);
        }

        return $archive->close();
    }
}
