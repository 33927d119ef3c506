<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Lesson;
use App\Models\Take;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Queue;
use OpenReel\Core\Take\Verdict;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Process\Process;

final class CommandLineTest extends FeatureTestCase
{
    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/reel-folder-'.getmypid();
        File::makeDirectory("{$this->folder}/slides", recursive: true, force: true);
        File::makeDirectory("{$this->folder}/takes", force: true);
        file_put_contents("{$this->folder}/script.md", "# Tides\n\n## High\n\nUp.\n\n## Low\n\nDown.\n");
        copy(Clips::slide(), "{$this->folder}/slides/01.png");
        copy(Clips::spoken(), "{$this->folder}/takes/01-1.webm");
        copy(Clips::anotherTake(), "{$this->folder}/takes/01-2.webm");
        copy(Clips::stereoWav(), "{$this->folder}/takes/01-3-discard.wav");
        copy(Clips::phone(), "{$this->folder}/takes/02-1.mp4");
    }

    protected function tearDown(): void
    {
        File::deleteDirectory($this->folder);
        parent::tearDown();
    }

    public function test_a_folder_becomes_a_film(): void
    {
        $summary = $this->build();

        self::assertFileExists("{$this->folder}/film.mp4");
        self::assertSame(filesize("{$this->folder}/film.mp4"), $summary['bytes']);
        self::assertSame('Tides', $summary['title']);
        self::assertNotContains(false, array_column($summary['findings'], 'ok'), (string) json_encode($summary['findings']));
        self::assertSame(
            ['undecided', 'kept', 'discarded', 'kept'],
            Take::query()
                ->orderBy('section_id')
                ->orderBy('number')
                ->pluck('verdict')
                ->map(fn (Verdict $v): string => $v->value)
                ->all(),
        );
    }

    public function test_whole_leaves_takes_untrimmed(): void
    {
        $trimmed = $this->build()['frames'];

        self::assertGreaterThan($trimmed, $this->build(['--whole' => true])['frames']);
    }

    public function test_the_summary_for_people_is_a_table(): void
    {
        $this->artisan('reel:build', ['folder' => $this->folder, '--out' => "{$this->folder}/film.mp4", '--frame' => '1280x720'])
            ->expectsOutputToContain('Take 01-1.webm')
            ->expectsOutputToContain('frames are there')
            ->assertSuccessful();
    }

    public function test_lessons_are_listed_and_exported(): void
    {
        $lesson = $this->build()['lesson'];
        Artisan::call('reel:list', ['--json' => true]);
        self::assertSame(
            [['lesson' => $lesson, 'title' => 'Tides', 'kept' => '2/2', 'frame' => '1280x720', 'fps' => 25]],
            json_decode(Artisan::output(), true),
        );

        $this->artisan('reel:export', ['lesson' => $lesson, '--out' => "{$this->folder}/again.mp4"])->assertSuccessful();
        self::assertFileExists("{$this->folder}/again.mp4");
        $this->artisan('reel:export', ['lesson' => 'nothing', '--out' => 'x.mp4'])
            ->expectsOutputToContain('There is no such lesson.')
            ->assertFailed();
    }

    /** @return iterable<string, array{\Closure(string): mixed, string}> */
    public static function wrong(): iterable
    {
        yield 'no script' => [fn (string $f) => unlink("{$f}/script.md"), 'There is no script.md'];
        yield 'empty script' => [fn (string $f) => file_put_contents("{$f}/script.md", ''), '"script.md" is empty.'];
        yield 'a slide too many' => [
            fn (string $f) => copy(Clips::slide(), "{$f}/slides/03.png"),
            'Slide 03.png belongs to no section',
        ];
        yield 'a slide that is none' => [
            fn (string $f) => file_put_contents("{$f}/slides/01.png", 'x'),
            '"01.png" is not a PNG, JPEG, WebP or SVG picture.',
        ];
        yield 'a take too many' => [
            fn (string $f) => copy(Clips::spoken(), "{$f}/takes/09-1.webm"),
            'The take 09-1.webm belongs to no section',
        ];
        yield 'a name that says nothing' => [
            fn (string $f) => copy(Clips::spoken(), "{$f}/takes/best.webm"),
            'The take best.webm is not named SECTION-TAKE.ext',
        ];
        yield 'an empty take' => [fn (string $f) => file_put_contents("{$f}/takes/02-1.mp4", ''), 'The take 02-1.mp4 is empty.'];
        yield 'a damaged take' => [
            fn (string $f) => file_put_contents("{$f}/takes/02-1.mp4", random_bytes(999)),
            '02-1.mp4: This recording is damaged',
        ];
        yield 'no take at all' => [fn (string $f) => File::cleanDirectory("{$f}/takes"), 'No section has a kept take yet'];
        yield 'a folder to write to' => [fn (string $f) => mkdir("{$f}/film.mp4"), 'film.mp4 is a folder.'];
        yield 'a binary script' => [
            fn (string $f) => file_put_contents("{$f}/script.md", "\x7FELF\0\0\0\1"),
            '"script.md" is not a text file.',
        ];
        yield 'a script that is a folder' => [
            fn (string $f) => unlink("{$f}/script.md") && mkdir("{$f}/script.md"),
            'There is no script.md',
        ];
        yield 'two takes of one number' => [
            fn (string $f) => copy(Clips::spoken(), "{$f}/takes/02-01.webm"),
            'Two takes have the same number: 02-01.webm and 02-1.mp4.',
        ];
        yield 'two slides of one section' => [
            fn (string $f) => copy(Clips::slide(), "{$f}/slides/1.png"),
            'Two slides belong to section 1',
        ];
        yield 'a screen without its take' => [
            fn (string $f) => copy(Clips::pictureOnly(), "{$f}/takes/02-9.screen.webm"),
            '02-9.screen.webm belongs to no take',
        ];
        yield 'a folder as take' => [fn (string $f) => mkdir("{$f}/takes/02-2.webm"), 'takes/02-2.webm is a folder.'];
        yield 'a text as slide' => [
            fn (string $f) => file_put_contents("{$f}/slides/02.txt", 'x'),
            'The slide 02.txt is no PNG, JPEG, WebP or SVG picture.',
        ];
    }

    /** @param  \Closure(string): mixed  $spoil */
    #[DataProvider('wrong')]
    public function test_what_is_wrong_is_said_plainly(\Closure $spoil, string $says): void
    {
        $spoil($this->folder);

        $this->artisan('reel:build', ['folder' => $this->folder, '--out' => "{$this->folder}/film.mp4", '--frame' => '1280x720'])
            ->expectsOutputToContain($says)
            ->assertFailed();
        self::assertSame(0, Lesson::withTrashed()->count(), 'no lesson is left behind');
        self::assertSame([], glob("{$this->mediaRoot}/lessons/*"));
    }

    public function test_where_the_film_goes_is_looked_at_before_any_work(): void
    {
        $all = [
            "{$this->folder}/nowhere/film.mp4" => 'There is no folder',
            '/proc/film.mp4' => 'Nothing can be written to',
            '' => 'Say where the film goes',
        ];
        foreach ($all as $out => $says) {
            $start = microtime(true);
            $this->artisan('reel:build', ['folder' => $this->folder, '--out' => $out])
                ->expectsOutputToContain($says)
                ->assertFailed();
            self::assertLessThan(1, microtime(true) - $start);
        }
    }

    public function test_odd_names_and_kinds_are_read_as_promised(): void
    {
        $odd = "{$this->folder}/[odd] {name}*";
        File::makeDirectory("{$odd}/slides", recursive: true);
        File::makeDirectory("{$odd}/takes");
        file_put_contents(
            "{$odd}/script.md",
            "\xFF\xFE".mb_convert_encoding("## One\n\nFind the day.\n\n## Two\n\nThen the height.\n", 'UTF-16LE', 'UTF-8'),
        );
        copy(Clips::slide('640x360', 'webp'), "{$odd}/slides/01.WEBP");
        file_put_contents(
            "{$odd}/slides/02.SVG",
            '<svg xmlns="http://www.w3.org/2000/svg" width="640" height="360"><rect width="640" height="360" '
                .'fill="#0b5d66"/></svg>',
        );
        copy(Clips::spoken(), "{$odd}/takes/01-1.WEBM");
        copy(Clips::anotherTake(), "{$odd}/takes/02-1.webm");

        $this->artisan('reel:build', [
            'folder' => $odd,
            '--out' => "{$odd}/film.mp4",
            '--frame' => '1280x720',
        ])->assertSuccessful();
        $lesson = Lesson::query()->sole();
        self::assertSame('[odd] {name}*', $lesson->title);
        self::assertSame(['image/webp', 'image/png'], $lesson->slides()->pluck('mime')->all());
        self::assertFileExists("{$odd}/film.mp4");
    }

    public function test_the_demo_shows_every_state(): void
    {
        Queue::fake();
        Artisan::call('reel:demo', ['--json' => true]);
        Artisan::call('reel:demo', ['--json' => true]);

        $sections = $this->toldSections(Lesson::query()->sole()->id);
        $takes = array_merge(...array_column($sections, 'takes'));
        self::assertCount(10, $sections);
        self::assertSame(
            ['opening', 'question', 'closing'],
            array_values(array_filter(array_map(fn (array $s): ?string => $s['card']['kind'] ?? null, $sections))),
        );
        self::assertEqualsCanonicalizing(
            ['kept', 'undecided', 'discarded'],
            array_values(array_unique(array_column($takes, 'verdict'))),
        );
        self::assertContains(['noisy'], array_column($takes, 'flags'));
        // A take that leaves a line out, and the pickup that mends it, are both heard.
        self::assertCount(2, $sections[2]['coverage']['takes']);
        self::assertSame([], $sections[2]['coverage']['missing']);
        self::assertSame([], $sections[8]['takes'], 'one is left to be recorded');
        $spoken = array_filter($sections, fn (array $s): bool => $s['card'] === null);
        self::assertCount(7, $spoken);
        self::assertNotContains(null, array_column($spoken, 'slide'));
    }

    public function test_the_stand_in_voice_reads_the_section(): void
    {
        $section = $this->section();
        $first = $this->get("/api/sections/{$section->id}/stand-in-voice")
            ->assertOk()
            ->assertHeader('Content-Type', 'audio/wav');
        self::assertGreaterThan(40_000, $this->fileOf($first)->getSize());

        config(['reel.programs.voice' => '/nowhere/flite']);
        app()->forgetInstance(\App\Media\Voice::class);
        $this->getJson("/api/sections/{$section->id}/stand-in-voice")->assertOk();
        $section->update(['script' => 'Other words.']);
        $this->getJson("/api/sections/{$section->id}/stand-in-voice")->assertStatus(503);
    }

    #[TestWith(['bring-in', 'import', '/nowhere.zip'])]
    #[TestWith(['read-again', 'reprocess', 'nothing'])]
    #[TestWith(['listen', 'align', '/nowhere'])]
    public function test_commands_of_the_version_before_answer_and_say_what_they_are_called_now(
        string $then, string $now, string $argument,
    ): void {
        $environment = ['DB_DATABASE' => ':memory:', 'CACHE_STORE' => 'array'];
        $answer = function (string $verb) use ($argument, $environment): array {
            $process = new Process([base_path('bin/reel'), $verb, $argument], env: $environment);
            $process->run();

            return [$process->getExitCode(), $process->getOutput(), $process->getErrorOutput()];
        };
        [$code, $output, $told] = $answer($then);
        self::assertStringContainsString("bin/reel {$then} is called bin/reel {$now} now", $told);
        [$sameCode, $sameOutput, $nothing] = $answer($now);
        self::assertSame([$sameCode, $sameOutput], [$code, $output]);
        self::assertStringNotContainsString('is called', $nothing);
        self::assertArrayHasKey("reel:{$then}", Artisan::all());
    }

    /**
     * @param  array<string, mixed>  $options
     * @return array<string, mixed>
     */
    private function build(array $options = []): array
    {
        $code = Artisan::call(
            'reel:build',
            [
                'folder' => $this->folder,
                '--out' => "{$this->folder}/film.mp4",
                '--frame' => '1280x720',
                '--fps' => 25,
                '--json' => true,
            ] + $options,
        );
        $output = Artisan::output();
        self::assertSame(0, $code, $output);

        return json_decode($output, true, flags: JSON_THROW_ON_ERROR);
    }
}
