<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\Program;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\Take;
use Illuminate\Http\UploadedFile;

final class CourseTest extends FeatureTestCase
{
    public function test_a_lesson_starts_from_its_courses_style_and_keeps_its_frame(): void
    {
        $course = $this->course(['width' => 1080, 'height' => 1920, 'fps' => 50, 'layout' => 'camera-alone']);
        $lesson = $this->postJson('/api/lessons', ['title' => 'Tides', 'course_id' => $course])
            ->assertCreated()
            ->json();
        self::assertSame([1080, 1920, 50], [$lesson['width'], $lesson['height'], $lesson['fps']]);
        self::assertSame('camera-alone', $lesson['sections'][0]['layout']);

        $this->patchJson("/api/courses/{$course}", [
            'style' => ['width' => 1080, 'height' => 1080, 'layout' => 'slide-alone'],
        ])->assertOk();
        $now = $this->getJson("/api/lessons/{$lesson['id']}")->json();
        self::assertSame([1080, 1920], [$now['width'], $now['height']]);
        self::assertSame('slide-alone', $now['sections'][0]['layout']);
    }

    public function test_a_lesson_overrides_parts_of_the_style_and_returns_them(): void
    {
        $course = $this->course(['accent' => '112233']);
        $lesson = $this->postJson('/api/lessons', ['title' => 'Tides', 'course_id' => $course])->json('id');

        $this->patchJson("/api/lessons/{$lesson}/style", ['style' => ['accent' => '445566', 'count_down' => 5]])
            ->assertOk()
            ->assertJsonPath('style.accent', '445566')
            ->assertJsonPath('course.accent', '112233')
            ->assertJsonPath('own', ['accent', 'count_down']);
        $this->getJson("/api/lessons/{$lesson}")->assertJsonPath('count_down', 5);
        $this->patchJson("/api/lessons/{$lesson}/style", ['style' => ['accent' => null]])
            ->assertOk()
            ->assertJsonPath('style.accent', '112233')
            ->assertJsonPath('own', ['count_down']);
        $this->patchJson("/api/lessons/{$lesson}/style", ['style' => ['accent' => 'pink']])
            ->assertUnprocessable()
            ->assertJsonPath('detail', fn (string $d): bool => str_contains($d, 'accent'));
        $this->patchJson("/api/lessons/{$lesson}/style", ['style' => ['fps' => 25]])->assertUnprocessable();
        $this->patchJson("/api/lessons/{$lesson}/style", ['style' => 'x'])->assertUnprocessable();
    }

    public function test_a_change_of_style_names_the_exports_it_makes_out_of_date(): void
    {
        $course = $this->course();
        $lesson = $this->film($course, "\n");
        $this->postJson("/api/lessons/{$lesson->id}/exports")->assertAccepted();
        self::assertSame('done', $this->getJson("/api/lessons/{$lesson->id}/exports")->json('0.state'));

        $this->patchJson("/api/courses/{$course}", ['style' => ['count_down' => 0]])->assertJsonPath('outdated', []);
        $this->patchJson("/api/courses/{$course}", ['style' => ['inset_shape' => 'circle', 'border' => 'thick']])->assertJsonPath(
            'outdated',
            ['Film'],
        );
        $this->patchJson("/api/courses/{$course}", ['style' => ['inset_size' => 'large']])->assertJsonPath('outdated', []);
        self::assertFalse($this->getJson("/api/lessons/{$lesson->id}/exports")->json('0.up_to_date'));
    }

    public function test_an_export_follows_the_style_cards_logo_round_inset_and_loudness(): void
    {
        $course = $this->course([
            'inset_shape' => 'circle',
            'border' => 'thick',
            'border_colour' => 'FF0000',
            'sound_target' => -18,
            'accent' => '00AA00',
            'card' => 'field',
            'ground' => '0000FF',
            'logo_corner' => 'top-right',
            'logo_size' => 'large',
        ]);
        $logo = $this->post(
            "/api/courses/{$course}/logos",
            [
                'file' => UploadedFile::fake()->createWithContent(
                    'logo.svg',
                    '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><rect width="40" height="40" '
                        .'fill="#ffff00"/></svg>',
                ),
            ],
            ['Accept' => 'application/json'],
        )
            ->assertCreated()
            ->json();
        $this->get($logo['url'])->assertOk();
        $this->patchJson("/api/courses/{$course}", ['style' => ['logo' => $logo['id']]])->assertOk();
        $lesson = $this->film($course, "\n\n## The end\n\n[card: closing, 1 s]\n");

        $this->postJson("/api/lessons/{$lesson->id}/exports");
        $export = $this->getJson("/api/lessons/{$lesson->id}/exports")->json('0');
        self::assertSame([], array_filter($export['findings'], fn (array $f): bool => ! $f['ok']), (string) json_encode($export));
        self::assertStringContainsString('-18.', implode(' ', array_column($export['findings'], 'says')));
        $plan = $this->getJson("/api/lessons/{$lesson->id}/assembly")->json();
        self::assertNull($plan['segments'][1]['take_id']);
        self::assertSame(25, $plan['segments'][1]['frames']);
        $this->get($plan['segments'][1]['shots'][0]['picture']['layers'][0]['url'])->assertOk();

        $film = $this->fileOf($this->get($export['file_url']))->getPathname();
        $layers = array_column($plan['segments'][0]['shots'][0]['picture']['layers'], 'rect', 'shows');
        [$camera, $place] = [$layers['camera'], $layers['logo']];
        // Inside the frame at second one: the logo, the edge of the circle, and the ground where the square's corner is cut away.
        self::assertColour(
            'FFFF00',
            $this->pixel($film, 1.0, $place['x'] + intdiv($place['width'], 2), $place['y'] + intdiv($place['height'], 2)),
        );
        self::assertColour('FF0000', $this->pixel($film, 1.0, $camera['x'] + intdiv($camera['width'], 2), $camera['y'] + 3));
        self::assertColour('0000FF', $this->pixel($film, 1.0, $camera['x'] + 2, $camera['y'] + 2));
        $end = $plan['segments'][1]['start_frame'] / 25 + 0.5;
        self::assertColour('00AA00', $this->pixel($film, $end, 20, 700));
        self::assertColour(
            'FFFF00',
            $this->pixel($film, $end, $place['x'] + intdiv($place['width'], 2), $place['y'] + intdiv($place['height'], 2)),
        );
    }

    public function test_a_slide_cue_inside_the_text_changes_the_picture_in_the_film(): void
    {
        $lesson = $this->film($this->course(['layout' => 'slide-alone']));
        $section = $lesson->sections()->firstOrFail();
        foreach (['red' => 'FF0000', 'blue' => '0000FF'] as $name => $colour) {
            $svg = '<svg xmlns="http://www.w3.org/2000/svg" width="16" height="9"><rect width="16" height="9" '
                ."fill=\"#{$colour}\"/></svg>";
            $this->post(
                "/api/lessons/{$lesson->id}/slides",
                ['files' => [UploadedFile::fake()->createWithContent("{$name}.svg", $svg)], 'fill' => false],
                ['Accept' => 'application/json'],
            )->assertJsonPath('decks.0.state', 'done');
        }
        $this->patchJson("/api/sections/{$section->id}", [
            'script' => '[slide: red] Find the day. [slide] Then find the first high water.',
        ])->assertOk();

        $this->postJson("/api/lessons/{$lesson->id}/exports");
        $export = $this->getJson("/api/lessons/{$lesson->id}/exports")->json('0');
        $shots = $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('segments.0.shots');
        self::assertCount(2, $shots);
        $film = $this->fileOf($this->get($export['file_url']))->getPathname();
        $change = $shots[1]['offset'];
        self::assertColour('FF0000', $this->pixel($film, ($change - 1.2) / 25, 300, 180));
        self::assertColour('0000FF', $this->pixel($film, ($change - 0.2) / 25, 300, 180));
    }

    public function test_a_camera_that_stopped_before_the_speech_stands_still_in_a_round_inset(): void
    {
        $lesson = $this->film($this->course(['inset_shape' => 'circle', 'border' => 'thin']), "\n");
        $this->keep($this->record($lesson->sections()->firstOrFail(), Clips::stalledCamera()));

        $this->postJson("/api/lessons/{$lesson->id}/exports");
        $export = $this->getJson("/api/lessons/{$lesson->id}/exports")->json('0');
        self::assertSame('done', $export['state']);
        self::assertTrue($export['findings'][0]['ok'], $export['findings'][0]['says']);
    }

    public function test_a_lesson_can_start_with_the_structure_of_another(): void
    {
        $lesson = $this->postJson('/api/lessons', ['title' => 'One', 'width' => 960, 'height' => 720])->json('id');
        $this->putJson("/api/lessons/{$lesson}/script", [
            'text' => "# One\n\n## Hello\n\n[layout: camera alone]\n\nWords.\n\n## Bye\n\n[card: closing, 3 s]\n\nThanks.\n",
            'revision' => 1,
        ])->assertOk();
        $copy = $this->postJson('/api/lessons', ['title' => 'Two', 'like' => $lesson])
            ->assertCreated()
            ->json();

        self::assertSame(['Hello', 'Bye'], array_column($copy['sections'], 'heading'));
        self::assertSame([960, 720], [$copy['width'], $copy['height']]);
        self::assertSame('camera-alone', $copy['sections'][0]['layout']);
        self::assertSame(3000, $copy['sections'][1]['card']['length_ms']);
        self::assertSame([], $copy['sections'][0]['lines']);
        $this->postJson('/api/lessons', ['title' => 'x', 'like' => 'nothing'])->assertUnprocessable();
        $this->postJson('/api/lessons', ['title' => 'x', 'course_id' => 'nothing'])->assertUnprocessable();
    }

    public function test_courses_are_named_deleted_and_brought_back(): void
    {
        $course = $this->course();
        $lesson = $this->postJson('/api/lessons', ['title' => 'Tides', 'course_id' => $course])->json('id');
        $this->patchJson("/api/courses/{$course}", ['name' => ' '])->assertUnprocessable();
        $this->patchJson("/api/courses/{$course}", ['name' => 'Other', 'style' => ['wallpaper' => 1]])->assertUnprocessable();
        $this->deleteJson("/api/courses/{$course}")->assertNoContent();
        $this->getJson("/api/lessons/{$lesson}")
            ->assertOk()
            ->assertJsonPath('course', null);
        $this->postJson("/api/courses/{$course}/restore")
            ->assertOk()
            ->assertJsonPath('lessons', 1);
        $this->post(
            "/api/courses/{$course}/logos",
            ['file' => UploadedFile::fake()->createWithContent('logo.png', 'x')],
            ['Accept' => 'application/json'],
        )->assertUnprocessable();
        $this->get('/api/logos/../../etc/passwd')->assertNotFound();
        $this->get('/api/cards/nothing')->assertNotFound();
        $this->get('/api/sample-card?card=shore&accent=112233&title=Tides&text=Wenna')
            ->assertOk()
            ->assertHeader('Content-Type', 'image/png');
        $this->getJson('/api/sample-card?card=poster')->assertUnprocessable();
    }

    public function test_the_pace_is_learned_from_the_kept_takes_of_the_course(): void
    {
        $course = $this->course();
        $lesson = $this->film($course);
        $section = Section::factory()->create([
            'lesson_id' => $lesson->id,
            'position' => 2,
            'script' => str_repeat('The water in the creek falls slowly at first. ', 6),
        ]);
        $before = $this->getJson("/api/lessons/{$lesson->id}")->json('sections.1.estimate_ms');
        foreach (range(1, 3) as $number) {
            Take::factory()->create([
                'section_id' => $section->id,
                'number' => $number,
                'verdict' => 'kept',
                'speech_from' => 0,
                'speech_until' => $before * 2 * 48,
                'length_ticks' => $before * 2 * 48,
            ]);
        }

        $now = $this->getJson("/api/lessons/{$lesson->id}")->json();
        self::assertSame(3, $now['pace']['takes']);
        self::assertEqualsWithDelta(2 * $before, $now['sections'][1]['estimate_ms'], 10);
    }

    /** @param  array<string, mixed>  $style */
    private function course(array $style = []): string
    {
        return $this->postJson('/api/courses', ['name' => 'Reading the Water', 'style' => $style])
            ->assertCreated()
            ->json('id');
    }

    /** A small lesson of the course with one kept take. */
    private function film(string $course, string $more = ''): Lesson
    {
        $section = Section::factory()
            ->for(Lesson::factory()->state(['title' => 'Film', 'width' => 1280, 'height' => 720, 'course_id' => $course]))
            ->create();
        $this->keep($this->record($section, Clips::spoken()));
        $lesson = $section->lesson->refresh();
        $this->putJson("/api/lessons/{$lesson->id}/script", [
            'text' => $lesson->script.$more,
            'revision' => $lesson->revision,
        ])->assertOk();
        if ($more !== '') {
            $svg =
                '<svg xmlns="http://www.w3.org/2000/svg" width="160" height="90"><rect width="160" height="90" '
                    .'fill="#0000ff"/></svg>';
            $this->post(
                "/api/lessons/{$lesson->id}/slides",
                ['files' => [UploadedFile::fake()->createWithContent('blue.svg', $svg)], 'section' => $section->id],
                ['Accept' => 'application/json'],
            )->assertJsonPath('decks.0.state', 'done');
        }

        return $lesson->refresh();
    }

    /** @return string RRGGBB */
    private function pixel(string $film, float $second, int $x, int $y): string
    {
        return bin2hex(
            Program::run([
                'ffmpeg',
                '-v',
                'error',
                '-ss',
                sprintf('%.3F', max(0, $second)),
                '-i',
                $film,
                '-frames:v',
                '1',
                '-vf',
                "scale=in_color_matrix=bt709:out_color_matrix=bt709,format=rgb24,crop=1:1:{$x}:{$y}",
                '-f',
                'rawvideo',
                '-',
            ])['output'],
        );
    }

    private static function assertColour(string $expected, string $found): void
    {
        $distance = max(
            0,
            ...array_map(
                fn (string $a, string $b): int => abs((int) hexdec($a) - (int) hexdec($b)),
                str_split($expected, 2),
                str_split($found, 2),
            ),
        );
        self::assertLessThan(40, $distance, "{$found} instead of {$expected}");
    }
}
