<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Film\AssembleLesson;
use App\Actions\Takes\HearTake;
use App\Media\Archive;
use App\Media\Program;
use App\Models\Arrival;
use App\Models\CaptionRow;
use App\Models\Course;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\Slide;
use App\Models\Take;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Testing\TestResponse;
use OpenReel\Core\Archive\Manifest;
use PHPUnit\Framework\Attributes\DataProvider;

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
            'a number that is none' => [$said(fn ($m) => $m->lessons[0]->takes[0]->length_ticks = 'x'), $none],
            'a take of another section' => [
                $said(fn ($m) => $m->lessons[0]->takes[0]->section_id = str_repeat('0', 26)), 'do not belong together',
            ],
            'places that nobody can read' => [$said(fn ($m) => $m->lessons[0]->takes[0]->reached = [new \stdClass()]), $none],
            'made by a newer version' => [$said(fn ($m) => $m->version = 9), 'newer Open Reel'],
        ];
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
        self::assertFalse($this->media()->exists(Arrival::query()->sole()->path));
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
        app(HearTake::class)($take);
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
