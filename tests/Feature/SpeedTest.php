<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Script\SaveScript;
use App\Media\Program;
use App\Models\Export;
use App\Models\Section;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\SpeedCue;

/** Silences that run faster or are cut out, in the film itself. */
final class SpeedTest extends FeatureTestCase
{
    private const TICKS = 48_000;

    public function test_a_silence_runs_faster_in_picture_and_sound(): void
    {
        [$plan, $film] = $this->film('[speed: 4 x]');
        $map = $plan['segments'][0]['map'];
        self::assertSame([1920, 7680, 1920], array_column($map, 'step'));

        // The picture becomes lighter with time: each frame tells its moment.
        $light = $this->light($film);
        self::assertCount($plan['frames'], $light);
        $at = 0;
        foreach ($map as $stretch) {
            for ($n = 0; $n < $stretch['frames']; $n += 5) {
                $moment = ($stretch['in_ticks'] + $n * $stretch['step']) / self::TICKS;
                self::assertEqualsWithDelta($moment, $this->moment($light[$at + $n]), 0.12, 'frame '.($at + $n));
            }
            $at += $stretch['frames'];
        }

        // The second tone is heard when its picture is seen.
        $begins = $this->firstSilenceEnds($film);
        $seen = $map[0]['frames'] + $map[1]['frames'] + (6.0 * self::TICKS - $map[2]['in_ticks']) / 1920;
        self::assertEqualsWithDelta($seen / 25, $begins, 0.06);
    }

    public function test_a_silence_is_cut_out(): void
    {
        [$plan, $film] = $this->film('[speed: cut]');
        [$before, $behind] = $plan['segments'][0]['map'];

        self::assertSame([1920, 1920], [$before['step'], $behind['step']]);
        self::assertEqualsWithDelta(5.7, $behind['in_ticks'] / self::TICKS, 0.01);
        $light = $this->light($film);
        self::assertEqualsWithDelta(5.7, $this->moment($light[$before['frames']]), 0.12);
        self::assertLessThan(2.4, $this->moment($light[$before['frames'] - 1]));
    }

    public function test_silences_are_told_with_the_word_behind_them(): void
    {
        $section = $this->spoken('One two. Three four.');
        $told = $this->getJson("/api/lessons/{$section->lesson_id}/assembly")->json('silences');

        self::assertSame([[$this->lines($section)[1], 0, 4000, false]], array_map(
            fn (array $s): array => [$s['line'], $s['word'], $s['length_ms'], $s['screen']],
            $told,
        ));
    }

    public function test_a_speed_that_cannot_be_meant_is_named_and_changes_nothing(): void
    {
        $section = $this->spoken('One two. [speed: warp] Three four.');
        $says = array_column($this->getJson("/api/lessons/{$section->lesson_id}/script/ready")->json(), 'says');

        self::assertNotSame([], preg_grep('/is no speed/', $says));
        self::assertCount(1, $this->getJson("/api/lessons/{$section->lesson_id}/assembly")->json('segments.0.map'));
    }

    public function test_a_speed_that_no_silence_belongs_to_is_named_and_changes_nothing(): void
    {
        $section = $this->spoken('One [speed: 4 x] two. [speed: 8 x] Three four.');
        $lesson = "/api/lessons/{$section->lesson_id}";
        $plan = $this->getJson("{$lesson}/assembly");

        $idle = ['section_id' => $section->id, 'number' => 0, 'says' => SpeedCue::IDLE];
        self::assertSame([$idle], $plan->json('idle_cues'));
        self::assertCount(3, $plan->json('segments.0.map'));
        $all = $this->getJson("{$lesson}/script/ready")->json();
        $found = array_filter($all, fn (array $f): bool => $f['says'] === SpeedCue::IDLE);
        self::assertSame([strpos($section->lesson()->firstOrFail()->script, '[speed: 4 x]')], array_column($found, 'at'));
    }

    /** @return array{array<string, mixed>, string} the assembly, and the path of the film */
    private function film(string $cue): array
    {
        $section = $this->spoken("One two. {$cue} Three four.");
        $plan = $this->getJson("/api/lessons/{$section->lesson_id}/assembly")->json();
        $this->postJson("/api/lessons/{$section->lesson_id}/exports")->assertJson(['state' => 'done']);

        return [$plan, $this->media()->path((string) Export::query()->sole()->path)];
    }

    /** A tone from 1 s to 2 s and one from 6 s to 7 s, the picture ever lighter; each tone is a line. */
    private function spoken(string $script): Section
    {
        $section = $this->section();
        $lesson = $section->lesson()->firstOrFail();
        $lesson->update(['width' => 320, 'height' => 180, 'fps' => 25]);
        app(SaveScript::class)($lesson, Script::parse("## One\n\n{$script}"), $lesson->revision);
        $section = $lesson->sections()->firstOrFail();
        $take = $this->keep($this->record($section, Clips::lighter()));
        [$one, $two] = $this->lines($section);
        $this->heard($take, [
            'line_ticks' => [$one => self::TICKS, $two => 6 * self::TICKS],
            'heard' => ['confidence' => 1, 'reads' => [], 'unscripted' => [], 'missing' => [],
                'pauses' => [[2 * self::TICKS, 6 * self::TICKS]]],
        ]);

        return $section->refresh();
    }

    /** @return list<string> ids */
    private function lines(Section $section): array
    {
        $lines = DB::table('lines')->where('section_id', $section->id)->whereNotNull('position')->orderBy('position');

        return array_values($lines->pluck('id')->all());
    }

    /** The second of the recording that a frame shows, by how light it is. */
    private function moment(float $light): float
    {
        return ($light - 16) / 200 * 8;
    }

    private function firstSilenceEnds(string $film): float
    {
        $said = Program::run(['ffmpeg', '-i', $film, '-af', 'silencedetect=n=-45dB:d=0.4', '-f', 'null', '-'])['log'] ?? '';
        preg_match_all('/silence_end: ([\d.]+)/', $said, $ends);

        return (float) ($ends[1][0] ?? -1);
    }
}
