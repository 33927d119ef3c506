<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Takes\AlignTake;
use App\Actions\Takes\InspectTake;
use App\Jobs\AlignTakesJob;
use App\Media\TakeAligner;
use App\Models\Section;
use App\Models\Take;
use App\Queries\Film\AssembleLesson;
use App\Queries\Takes\LessonCoverage;
use App\Queries\Takes\TakeFindings;
use App\Upkeep\Upkeep;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Queue;
use OpenReel\Core\Alignment\Attempt;
use OpenReel\Core\Alignment\ExpectedLine;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\Spoken;
use OpenReel\Core\Take\AlignmentStatus;
use OpenReel\Core\Take\AttemptKind;
use OpenReel\Core\Take\LineAttempt;

/** Which words are heard in takes, and what follows from it; with the real reference voice, on voices that are not that one. */
final class HearingTest extends FeatureTestCase
{
    private const LINES = [
        'The height is given in metres above chart datum.',
        'High water at the quay is at a quarter past seven.',
        'Never trust the table alone when the wind blows hard.',
        'So leave a margin under your keel.',
    ];

    /** A false start, a line said twice, and one that is left out. */
    private const STUMBLES = [[0, 1.0, 0.6], [1, 0.55, 0.5], [1, 1.0, 0.4], [3, 1.0, 0.6], [3, 1.0, 0.7]];

    public function test_a_take_that_stumbles_is_heard_as_it_is(): void
    {
        [$take, $times] = $this->stumbling();
        app(AlignTake::class)($take);

        self::assertSame(AlignmentStatus::Sure, $take->summary->alignment);
        $ids = array_column($take->lines, 'id');
        $reads = TakeFindings::of($take)->alignment->attempts ?? [];
        self::assertSame(
            [
                [$ids[0], 'complete'],
                [$ids[1], 'false start'],
                [$ids[1], 'complete'],
                [$ids[3], 'complete'],
                [$ids[3], 'complete'],
            ],
            array_map(fn (LineAttempt $a): array => [$a->line, $a->kind->value], $reads),
        );
        foreach ($reads as $i => $read) {
            self::assertEqualsWithDelta($times[$i][0], $read->span->from->count / 48_000, 0.1, "start of read {$i}");
            self::assertEqualsWithDelta($times[$i][1], $read->span->until->count / 48_000, 0.25, "end of read {$i}");
        }
        self::assertSame([$ids[2]], TakeFindings::of($take)->alignment?->missing);
        self::assertSame([$ids[0], $ids[1], $ids[3]], $take->summary->spoken);

        // The false start and the first of the two are out; nothing of what is used is cut into.
        $used = array_map(fn (array $s): array => [$s[0] / 48_000, $s[1] / 48_000], $take->summary->used);
        self::assertCount(3, $used);
        foreach ([0, 2, 4] as $n => $i) {
            self::assertLessThan($times[$i][0] - 0.07, $used[$n][0]);
            self::assertGreaterThan($times[$i][1], $used[$n][1]);
        }
        self::assertLessThan($times[1][0] + 0.02, $used[0][1]);
        self::assertGreaterThan($times[1][1] - 0.02, $used[1][0]);
    }

    public function test_the_film_has_each_line_once_and_tells_what_is_missing(): void
    {
        [$take, $times] = $this->stumbling();
        $take = $this->keep($take);
        app(AlignTake::class)($take->refresh());
        $lesson = $take->lesson();
        $coverage = LessonCoverage::of($lesson);
        $ids = array_column($take->lines, 'id');
        self::assertSame([$ids[2]], $coverage->sections[$take->section_id]->missing);
        self::assertSame($take->id, $coverage->lines[$ids[1]]->take);

        $said = $times[0][1] - $times[0][0] + $times[2][1] - $times[2][0] + $times[4][1] - $times[4][0];
        $film = app(AssembleLesson::class)($lesson)->assembly;
        $seconds = $film->frames() / $film->rate->fps;
        self::assertGreaterThan($said, $seconds);
        self::assertLessThan($said + 2.2, $seconds, 'and not much else than these lines');
    }

    public function test_another_script_is_not_taken_for_this_one(): void
    {
        [$file] = Stumbling::take('stumbles', $this->says());
        $section = $this->written(['Mix the flour with two eggs and a pinch of salt.', 'Nobody expected the train to be early.']);
        $take = $this->record($section, $file);
        $before = [$take->summary->speech_from, $take->summary->speech_until, $take->summary->starts];
        app(AlignTake::class)($take);
        self::assertSame(AlignmentStatus::Unsure, $take->summary->alignment);
        self::assertNull($take->summary->spoken);
        self::assertSame([], $take->summary->omitted);
        self::assertSame($before, [$take->summary->speech_from, $take->summary->speech_until, $take->summary->starts]);
    }

    public function test_a_take_that_was_sure_and_is_not_any_more_is_as_the_prompter_had_it(): void
    {
        [$file] = Stumbling::take('stumbles', $this->says());
        $section = $this->written(self::LINES);
        $take = $this->record($section, $file);
        $before = $take->refresh()->summary->replicate();
        app(AlignTake::class)($take);
        self::assertSame(AlignmentStatus::Sure, $take->summary->alignment);
        self::assertNotSame($before->starts, $take->refresh()->summary->starts);

        // It is listened to once more, for words that nobody says in it.
        $others = ['Mix the flour with two eggs and a pinch of salt.', 'Nobody expected the train to be early.'];
        $lines = $take->lines;
        $take->update(['lines' => array_map(
            fn (array $l, string $text): array => ['text' => $text] + $l, array_slice($lines, 0, 2), $others,
        )]);
        app(AlignTake::class)($take);
        self::assertSame(AlignmentStatus::Unsure, $take->refresh()->summary->alignment);
        $now = $take->summary;
        foreach (['speech_from', 'speech_until', 'used_ticks'] as $column) {
            self::assertSame($before->{$column}, $now->{$column}, $column);
        }
        self::assertSame(array_slice(array_keys($before->starts), 0, 2), array_slice(array_keys($now->starts), 0, 2));
        self::assertNull($now->spoken);
        self::assertSame([[], [], []], [$now->omitted, $now->tightened, $now->flawed]);
    }

    public function test_newest_takes_come_first_and_those_of_before_are_heard_as_well(): void
    {
        config(['reel.hear' => true]);
        Queue::fake([AlignTakesJob::class]);
        [$file] = Stumbling::take('short', [[self::LINES[3], 1.0, 0.5]]);
        $section = $this->written([self::LINES[3]]);
        $older = $this->record($section, $file);
        $newer = $this->record($section, $file);
        Queue::assertPushed(AlignTakesJob::class, 2);
        $older->update(['created_at' => now()->subHour()]);
        (new AlignTakesJob())->handle(app(AlignTake::class), app(InspectTake::class));
        self::assertSame(AlignmentStatus::Sure, $newer->refresh()->summary->alignment);
        self::assertNull($older->refresh()->summary->alignment);
        Queue::fake([AlignTakesJob::class]);
        app(Upkeep::class)->sweep();
        Queue::assertPushed(AlignTakesJob::class, 1);
        (new AlignTakesJob())->handle(app(AlignTake::class), app(InspectTake::class));
        self::assertSame(AlignmentStatus::Sure, $older->refresh()->summary->alignment);
        (new AlignTakesJob())->handle(app(AlignTake::class), app(InspectTake::class));
    }

    public function test_a_take_without_voice_or_lines_waits_for_nothing(): void
    {
        $take = $this->record($this->written([self::LINES[0]]), Clips::pictureOnly());
        app(AlignTake::class)($take);
        self::assertSame(AlignmentStatus::Nothing, $take->summary->alignment);
        $silent = $this->record($this->written([self::LINES[0]]), Clips::silent());
        app(AlignTake::class)($silent);
        self::assertSame(AlignmentStatus::Unsure, $silent->summary->alignment);
    }

    public function test_the_command_tells_machines_what_was_heard(): void
    {
        [$file, $times] = Stumbling::take('stumbles', $this->says());
        $folder = sys_get_temp_dir().'/reel-listen-'.getmypid();
        @mkdir("{$folder}/takes", 0777, true);
        file_put_contents("{$folder}/script.md", "# Tides\n\n## One\n\n".implode(' ', self::LINES)."\n");
        copy($file, "{$folder}/takes/01-1.wav");
        self::assertSame(0, Artisan::call('reel:align', ['folder' => $folder, '--json' => true]));
        [$told] = json_decode(Artisan::output(), true);
        self::assertSame('01-1.wav', $told['file']);
        self::assertSame(self::LINES, $told['lines']);
        self::assertSame([1, 2, 2, 4, 4], array_column($told['reads'], 'line'));
        self::assertSame(['complete', 'false start', 'complete', 'complete', 'complete'], array_column($told['reads'], 'kind'));
        self::assertSame(explode(' ', rtrim(self::LINES[0], '.')), array_column($told['reads'][0]['words'], 'word'));
        self::assertSame([1, 2, 4], array_column($told['used'], 'line'));
        self::assertGreaterThanOrEqual($times[4][1], $told['used'][2]['until']);

        file_put_contents("{$folder}/takes/01-2.wav", 'no sound at all');
        self::assertSame(1, Artisan::call('reel:align', ['folder' => $folder, '--json' => true]));
        $told = json_decode(Artisan::output(), true);
        self::assertSame('This is damaged, or is no film or sound file.', $told[1]['problem']);
        self::assertSame(1, Artisan::call('reel:align', ['folder' => $folder, '--language' => 'tlh']));
        self::assertStringContainsString('The language is en, de, fr or es.', Artisan::output());
        array_map(unlink(...), [...glob("{$folder}/takes/*") ?: [], "{$folder}/script.md"]);
        rmdir("{$folder}/takes");
        rmdir($folder);
    }

    /** @param  list<string>  $lines */
    #[\PHPUnit\Framework\Attributes\DataProvider('languages')]
    public function test_other_languages_are_heard(string $language, array $lines): void
    {
        $spoken = Language::from($language);
        $pcm = '';
        foreach ([[0, 1.0], [1, 0.55], [1, 1.0], [2, 1.0]] as [$line, $part]) {
            $file = Clips::path("said-{$language}-{$line}.wav");
            is_file($file) ||
                \App\Media\Program::run([
                    'espeak-ng',
                    '-z',
                    '-v',
                    "{$language}+m7",
                    '-s',
                    '150',
                    '-p',
                    '40',
                    '-w',
                    $file,
                    $lines[$line],
                ]);
            $sound = \App\Media\Program::run([
                'ffmpeg',
                '-v',
                'error',
                '-i',
                $file,
                '-ac',
                '1',
                '-ar',
                '16000',
                '-f',
                's16le',
                '-',
            ])['output'];
            $pcm .= str_repeat("\0", 12_000).substr($sound, 0, 2 * (int) ((strlen($sound) / 2) * $part));
        }
        $raw = Clips::path("take-{$language}.raw");
        file_put_contents($raw, $pcm.str_repeat("\0", 20_000));
        $file = Clips::make("take-{$language}.wav", ['-f', 's16le', '-ar', '16000', '-ac', '1', '-i', $raw]);
        $heard = app(TakeAligner::class)->hear(
            $file,
            array_map(fn (string $l): ExpectedLine => new ExpectedLine($l, Spoken::of($l, $spoken)), $lines),
            $spoken,
        );
        self::assertSame(
            [[0, AttemptKind::Complete], [1, AttemptKind::FalseStart], [1, AttemptKind::Complete], [2, AttemptKind::Complete]],
            array_map(fn (Attempt $r): array => [$r->line, $r->kind], $heard->reads),
        );
        self::assertTrue($heard->isSure());
    }

    public function test_a_recording_of_a_long_lesson_is_heard_stretch_by_stretch(): void
    {
        // More lines than are looked for at once; after two of the first section it goes on in the midst of the sixth.
        $lines = [];
        foreach (Script::parse((string) file_get_contents(base_path('demo/lesson/script.md')))->sections as $section) {
            foreach ($section->card() === null ? $section->lines : [] as $n => $line) {
                $lines[] = new ExpectedLine($line->text, Spoken::of($line->text), $n === 0);
            }
        }
        foreach ([...self::LINES, ...self::LINES] as $text) {
            $lines[] = new ExpectedLine($text, $text);
        }
        self::assertGreaterThan(60, count($lines));
        $says = [[0, 1.0], [1, 1.0], [40, 1.0], [41, 0.6], [41, 1.0], [42, 1.0], [43, 1.0]];
        [$file, $times] = Stumbling::take(
            'stretches-midst',
            array_map(fn (array $said): array => [$lines[$said[0]]->text, $said[1], 0.6], $says),
        );
        $told = [];
        $heard = app(TakeAligner::class)->hear($file, $lines, Language::English, function (float $part) use (&$told): void {
            $told[] = $part;
        });

        self::assertSame(
            $says,
            array_map(fn (Attempt $r): array => [$r->line, $r->kind === AttemptKind::Complete ? 1.0 : 0.6], $heard->reads),
        );
        foreach ($heard->reads as $i => $read) {
            self::assertEqualsWithDelta($times[$i][0], $read->span->from->seconds(), 0.1, "start of read {$i}");
        }
        $sorted = $told;
        sort($sorted);
        self::assertSame($sorted, $told, 'progress only grows');
        self::assertSame(1.0, end($told));
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function languages(): iterable
    {
        yield 'German' => [
            'de',
            [
                'Die Gezeitentafel nennt die Zeiten von Hochwasser und Niedrigwasser.',
                'Am 14. März steht das Wasser 4,8 Meter hoch.',
                'Frag im Zweifel den Hafenmeister.',
            ],
        ];
        yield 'French' => [
            'fr',
            [
                'La table des marées donne les heures de pleine mer.',
                'La hauteur est de 4,8 mètres au-dessus du zéro des cartes.',
                'Demandez au capitaine du port en cas de doute.',
            ],
        ];
        yield 'Spanish' => [
            'es',
            [
                'La tabla de mareas indica las horas de la pleamar.',
                'La altura es de 4,8 metros sobre el nivel de referencia.',
                'En caso de duda pregunte al capitán del puerto.',
            ],
        ];
    }

    /** @return list<array{string, float, float}> */
    private function says(): array
    {
        return array_map(fn (array $s): array => [self::LINES[$s[0]], $s[1], $s[2]], self::STUMBLES);
    }

    /** @return array{Take, list<array{float, float}>} */
    private function stumbling(): array
    {
        [$file, $times] = Stumbling::take('stumbles', $this->says());

        return [$this->record($this->written(self::LINES), $file), $times];
    }

    /** @param  list<string>  $lines */
    private function written(array $lines): Section
    {
        $section = $this->section();
        $this->patchJson("/api/sections/{$section->id}", ['heading' => 'Heard', 'script' => implode(' ', $lines)])->assertOk();

        return $section->refresh();
    }
}
