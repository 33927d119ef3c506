<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\Prober;
use App\Models\Lesson;
use App\Models\Section;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;

/** What is seen, chosen for words: each choice is a cue in the script. */
final class CueTest extends FeatureTestCase
{
    private const WORDS = 'Low water is at a quarter past seven. So leave a margin.';

    public function test_what_is_seen_is_chosen_for_words(): void
    {
        $section = $this->written(self::WORDS);
        $lesson = $section->lesson()->firstOrFail();
        $ids = $this->lines($section);
        $this->place($lesson, $section, '[layout: camera alone]', [$ids[0], 2], [$ids[1], 1])->assertOk();
        self::assertSame(
            'Low water [layout: camera alone] is at a quarter past seven. So [layout: slide with inset] leave a margin.',
            $section->refresh()->script,
        );

        $cues = $this->getJson("/api/lessons/{$lesson->id}/cues")->assertOk()->json();
        self::assertSame($lesson->refresh()->revision, $cues['revision']);
        self::assertSame(
            [[0, 'layout', '[layout: camera alone]', $ids[0], 2], [1, 'layout', '[layout: slide with inset]', $ids[1], 1]],
            array_map(
                fn (array $c): array => [$c['number'], $c['kind'], $c['text'], $c['line'], $c['word']],
                $cues['sections'][$section->id],
            ),
        );

        // One of them is changed, and taken away.
        $change = fn (string $was, string $cue) => $this->putJson("/api/sections/{$section->id}/cues/0", [
            'revision' => $lesson->refresh()->revision, 'was' => $was, 'cue' => $cue,
        ]);
        $change('[layout: camera alone]', '[layout: slide alone]')->assertOk();
        self::assertStringContainsString('water [layout: slide alone] is', $section->refresh()->script);
        $change('[layout: camera alone]', '')->assertStatus(409);
        $change('[layout: slide alone]', '')->assertOk();
        self::assertStringStartsWith('Low water is at', $section->refresh()->script);
    }

    public function test_behind_the_words_is_seen_what_was_seen_before(): void
    {
        $section = $this->written('First words [screen: the gauge] here. Then more [slide: 1] words.');
        $lesson = $section->lesson()->firstOrFail();
        [$one, $two] = $this->lines($section);
        $this->place($lesson, $section, '[board: 2]', [$one, 1], [$two, 1])->assertOk();
        self::assertSame(
            'First [board: 2] words here. Then [screen: the gauge] more [slide: 1] words.',
            $section->refresh()->script,
        );
        $this->place($lesson, $section, '[layout: top left]', [$two, 2], null)->assertOk();
        $this->place($lesson, $section, '[screen: again]', [$one, 0], [$one, 1])->assertOk();
        self::assertSame(
            "[screen: again]\n\nFirst [board: 2] words here. Then [screen: the gauge] more [slide: 1] [layout: top left] words.",
            $section->refresh()->script,
            'what stands behind the words already stays',
        );
    }

    public function test_five_hundred_cues_that_cannot_be_meant_are_named_and_the_film_is_made_all_the_same(): void
    {
        $odd = [
            '[layout: at 900 -5 900, 99 s]', '[zoom: 99 99 1, 0 s]', '[zoom: -1e9]',
            '[emphasis: box 150 150 0 0, drawn in 999 s]',
            '[emphasis: arrow 0 0 0 0, hand-drawn]', '[label: {\\an7} "q" <b> 🌊 שלום, at 99 99, 0 s]', '[label: , at 1 1]',
            '[picture: nowhere, at 1 1 1]', '[picture: slide, at 100 100 100]', '[name: , , 999 s]', '[music: -99 dB]',
            '[music: Slack water, -999 dB, in 999 s, out 999 s]', '[join: push, 99 s]', '[emphasis: spotlight 50 50 0 0, thin]',
        ];
        $words = array_map(fn (int $n): string => $odd[$n % count($odd)]." w{$n}", range(0, 499));
        $section = $this->written("[slide: slide]\n\n".implode(' ', $words).'.');
        $lesson = $section->lesson()->firstOrFail();
        $lesson->update(['width' => 320, 'height' => 180]);
        $slide = new UploadedFile(Clips::slide(), 'slide.png', null, null, true);
        $json = ['Accept' => 'application/json'];
        $this->post("/api/lessons/{$lesson->id}/slides", ['files' => [$slide]], $json)->assertCreated();
        $this->keep($this->record($section, Clips::spoken()));

        $says = array_column($this->getJson("/api/lessons/{$lesson->id}/script/ready")->assertOk()->json(), 'says');
        $named = '/no part of the picture|says not what|no slide called|no music called|join/';
        self::assertGreaterThan(100, count(preg_grep($named, $says) ?: []));
        $plan = $this->getJson("/api/lessons/{$lesson->id}/assembly")->assertOk()->json();
        $made = $this->postJson("/api/lessons/{$lesson->id}/exports")->assertAccepted()->json();
        self::assertSame('done', $made['state'], (string) $made['problem']);
        self::assertSame($plan['frames'], app(Prober::class)->export(
            $this->fileOf($this->get("/api/exports/{$made['id']}/file"))->getPathname(),
        )->frames);
    }

    public function test_zooms_and_emphasis_end_behind_their_words(): void
    {
        $section = $this->written('[slide: 1] First words of it. Then more words.');
        $lesson = $section->lesson()->firstOrFail();
        [$one, $two] = $this->lines($section);
        $this->place($lesson, $section, '[zoom: 10 10 40]', [$one, 1], [$two, 0])->assertOk();
        $this->place($lesson, $section, '[emphasis: box 1 2 3 4]', [$one, 2], [$two, 1])->assertOk();
        $this->place($lesson, $section, '[zoom: 50 50 20]', [$one, 2], [$one, 3])->assertOk();
        self::assertSame(
            '[slide: 1] First [zoom: 10 10 40] words [emphasis: box 1 2 3 4] [zoom: 50 50 20] of [zoom: 10 10 40] it. '
                .'[zoom: out] Then [emphasis: none] more words.',
            $section->refresh()->script,
        );
        // A part of one slide is none of the next.
        $other = $this->written('[slide: 1] First [zoom: 10 10 40] words. Then [slide: 2] more words here.');
        [, $two] = $this->lines($other);
        $this->place($other->lesson()->firstOrFail(), $other, '[zoom: 1 1 30]', [$two, 2], [$two, 3])->assertOk();
        self::assertStringEndsWith('more [zoom: 1 1 30] words [zoom: out] here.', $other->refresh()->script);
        // How it begins needs no words.
        $this->postJson("/api/sections/{$section->id}/cues", [
            'revision' => $lesson->refresh()->revision, 'cue' => '[join: dissolve, 0.7 s]',
        ])->assertOk();
        self::assertStringStartsWith('[join: dissolve, 0.7 s] [slide: 1] First', $section->refresh()->script);
        $empty = $this->written('');
        $this->postJson("/api/sections/{$empty->id}/cues", [
            'revision' => $empty->lesson()->firstOrFail()->revision, 'cue' => '[join: dip]',
        ])->assertOk();
        self::assertSame('[join: dip]', $empty->refresh()->script);
    }

    public function test_bad_cues_and_old_scripts_are_refused(): void
    {
        $section = $this->written(self::WORDS);
        $lesson = $section->lesson()->firstOrFail();
        $ids = $this->lines($section);
        $bad = ['', 'camera alone', '[layout: upside down]', '[target 1:30]', '[note: a] [note: b]', '[card: opening]'];
        foreach ($bad as $cue) {
            $this->place($lesson, $section, $cue, [$ids[0], 1], null)->assertStatus(422);
        }
        $this->place($lesson, $section, '[layout: top left]', [$ids[0], 2], [$ids[0], 2])->assertStatus(422);
        $this->place($lesson, $section, '[layout: top left]', ['nothing', 2], null)->assertStatus(409);
        $other = $this->section();
        $this->place($lesson, $other, '[layout: top left]', [$ids[0], 2], null)->assertStatus(409);
        $this->postJson("/api/sections/{$section->id}/cues", [
            'revision' => $lesson->refresh()->revision - 1, 'cue' => '[layout: top left]',
            'from' => ['line' => $ids[0], 'word' => 1],
        ])->assertStatus(409)->assertJsonPath('text', $lesson->script);
        self::assertSame(self::WORDS, $section->refresh()->script);
    }

    public function test_the_film_tells_on_which_frame_each_word_is_said(): void
    {
        $section = $this->written('One line to say. Another one to say.');
        $take = $this->keep($this->record($section, Clips::spoken()));
        $segment = $this->getJson("/api/lessons/{$take->lesson()->id}/assembly")->assertOk()->json('segments.0');
        self::assertSame(array_column($take->lines, 'id'), array_column($segment['words'], 'line'));
        foreach (array_column($segment['words'], 'frames') as $frames) {
            self::assertCount(4, $frames);
            $sorted = $frames;
            sort($sorted);
            self::assertSame($sorted, $frames);
            self::assertLessThan($segment['frames'], $frames[3]);
        }
    }

    /**
     * @param  array{string, int}  $from  line and word
     * @param  array{string, int}|null  $until
     */
    private function place(Lesson $lesson, Section $section, string $cue, array $from, ?array $until): mixed
    {
        $word = fn (array $at): array => ['line' => $at[0], 'word' => $at[1]];

        return $this->postJson("/api/sections/{$section->id}/cues", [
            'revision' => $lesson->refresh()->revision, 'cue' => $cue,
            'from' => $word($from), 'until' => $until === null ? null : $word($until),
        ]);
    }

    /** @return list<string> ids */
    private function lines(Section $section): array
    {
        return array_values(DB::table('lines')
            ->where('section_id', $section->id)
            ->whereNotNull('position')
            ->orderBy('position')
            ->pluck('id')
            ->all());
    }

    private function written(string $script): Section
    {
        $section = $this->section();
        $this->patchJson("/api/sections/{$section->id}", ['script' => $script])->assertOk();

        return $section->refresh();
    }
}
