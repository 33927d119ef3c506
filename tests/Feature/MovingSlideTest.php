<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Script\SaveScript;
use App\Jobs\DrawSlidesJob;
use App\Media\Program;
use App\Models\Deck;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Slide;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Queue;
use Illuminate\Testing\TestResponse;
use OpenReel\Core\Script\Script;
use PHPUnit\Framework\Attributes\TestWith;

/** Short films and drawings that build up, brought in as slides. */
final class MovingSlideTest extends FeatureTestCase
{
    #[TestWith(['tide.mp4', 'libx264'])]
    #[TestWith(['tide.webm', 'libvpx'])]
    #[TestWith(['tide.gif', 'gif'])]
    public function test_a_short_film_becomes_a_slide(string $name, string $codec): void
    {
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180, 'fps' => 25]);
        $answer = $this->bring($lesson, $this->film($name, ['-c:v', $codec]), $name);
        $answer->assertCreated()->assertJsonPath('decks.0.state', 'done');
        $told = $this->getJson("/api/lessons/{$lesson->id}/slides")->json()[0];

        self::assertSame(['tide', 320, 180], [$told['name'], $told['width'], $told['height']]);
        self::assertEqualsWithDelta(2000, $told['film_ms'], 80);
        $slide = Slide::query()->sole();
        self::assertSame('image/png', $this->get($told['url'])->assertOk()->headers->get('Content-Type'));
        $film = $this->get("/api/slides/{$slide->id}/film")->assertOk()->assertHeader('Content-Type', 'video/mp4');
        self::assertStringNotContainsString('audio', $this->streams($this->fileOf($film)->getPathname()));
        self::assertSame([], $this->draftsLeft());
    }

    public function test_a_gif_that_stands_is_a_picture(): void
    {
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180, 'fps' => 25]);
        $still = $this->film('still.gif', ['-c:v', 'gif'], 'color=red:s=160x90:r=25:d=0.04');
        $this->bring($lesson, $still, 'still.gif')->assertJsonPath('decks.0.state', 'done');

        self::assertNull($this->getJson("/api/lessons/{$lesson->id}/slides")->json('0.film_ms'));
        self::assertSame([], $this->draftsLeft());
    }

    public function test_a_slide_shows_another_drawing_once_it_is_made_and_the_one_before_until_then(): void
    {
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180]);
        $step = fn (int $n): string => "<g id=\"step {$n}\"><rect width=\"9\" height=\"{$n}\"/></g>";
        $drawing = fn (int $steps): string => '<svg xmlns="http://www.w3.org/2000/svg" width="320" height="180">'
            .implode('', array_map($step, range(1, $steps)))
            .'</svg>';
        $file = function (string $content): string {
            file_put_contents($path = tempnam(sys_get_temp_dir(), 'svg').'.svg', $content);

            return $path;
        };
        $this->bring($lesson, $file($drawing(20)), 'bars.svg')->assertJsonPath('decks.0.added.0.name', 'bars');
        $slide = Slide::query()->sole();
        self::assertCount(21, $slide->steps);

        $replace = fn (string $content): TestResponse => $this->post(
            "/api/slides/{$slide->id}/picture", ['file' => new UploadedFile($file($content), 'more.svg', null, null, true)],
        );
        $deck = $replace($drawing(21))->assertStatus(202)->json('deck');
        self::assertStringContainsString('builds up in 21 steps; at most 20 are drawn', $deck['problem']);
        self::assertCount(21, $slide->refresh()->steps);
        $replace($drawing(2))->assertJsonPath('deck.state', 'done');
        self::assertSame(['bars', 3], [$slide->refresh()->name, count($slide->steps)]);
        self::assertSame([[], []], [$this->draftsLeft(), glob("{$this->mediaRoot}/lessons/*/decks/*")]);
    }

    public function test_drawings_become_slides_in_the_order_of_their_names_whoever_draws_them(): void
    {
        Queue::fake();
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180]);
        $svg = '<svg xmlns="http://www.w3.org/2000/svg" width="320" height="180"><rect width="9" height="9"/></svg>';
        $this->post("/api/lessons/{$lesson->id}/slides", ['fill' => false, 'files' => array_map(
            fn (string $name): UploadedFile => UploadedFile::fake()->createWithContent($name, $svg),
            ['b10.svg', 'b9.svg', 'a.svg'],
        )], ['Accept' => 'application/json'])->assertJsonCount(3, 'decks');
        self::assertSame(0, Slide::query()->count());
        // One of them is cancelled; the others are drawn by whoever comes first.
        $this->postJson('/api/decks/'.Deck::query()->where('name', 'b9.svg')->sole()->id.'/cancel')->assertOk();
        app()->call([new DrawSlidesJob($lesson->id), 'handle']);
        self::assertSame(['a', 'b10'], $lesson->slides()->pluck('name')->all());
        self::assertSame([], array_diff(Deck::query()->pluck('state')->map->value->all(), ['done', 'cancelled']));
    }

    public function test_what_is_no_film_is_refused_with_a_sentence_and_leaves_nothing(): void
    {
        $lesson = Lesson::factory()->create();
        $empty = "{$this->mediaRoot}/empty.mp4";
        touch($empty);
        $none = "{$this->mediaRoot}/none.mp4";
        file_put_contents($none, "ffconcat version 1.0\nfile /etc/passwd\n");
        $cut = "{$this->mediaRoot}/cut.mp4";
        file_put_contents($cut, substr((string) file_get_contents($this->film('tide.mp4', ['-c:v', 'libx264'])), 0, 2000));
        $gif = "{$this->mediaRoot}/huge.gif";
        file_put_contents($gif, "GIF89a\xFF\xFF\xFF\xFF\x00\x00\x00;");
        foreach ([
            [$empty, 'is empty'], [$none, 'is no film'], [$cut, 'is no film'], [$gif, 'more pixels'],
            [Clips::soundOnly(), 'nothing is seen'],
            [$this->film('long.mp4', ['-c:v', 'libx264', '-r', '1'], 'color=s=16x16:r=1:d=200'), 'lasts 199 seconds'],
        ] as [$file, $says]) {
            $answer = $this->bring($lesson, $file, pathinfo($file, PATHINFO_FILENAME).($file === $gif ? '.gif' : '.mp4'));
            self::assertStringContainsString($says, self::refusal($answer->assertCreated()));
        }
        self::assertSame(0, Slide::query()->count());
        self::assertSame([], $this->draftsLeft());
    }

    public function test_a_film_plays_in_the_film_from_its_cue_and_its_last_picture_stays(): void
    {
        $section = $this->section();
        $lesson = $section->lesson()->firstOrFail();
        $lesson->update(['fps' => 25]);
        // Ever lighter for two seconds.
        $lighter = "nullsrc=s=320x180:r=25:d=2,geq=lum='16+100*T':cb=128:cr=128";
        $this->bring($lesson, $this->film('light.mp4', ['-c:v', 'libx264', '-color_range', 'tv'], $lighter), 'light.mp4');
        $script = Script::parse("## One\n\n[slide: light] [layout: slide alone]\n\nOne.");
        app(SaveScript::class)($lesson, $script, $lesson->revision);
        $this->keep($this->record($lesson->sections()->firstOrFail(), Clips::lighter()));
        $plan = $this->getJson("/api/lessons/{$lesson->id}/assembly")->json();
        self::assertSame('film', $plan['segments'][0]['shots'][0]['picture']['layers'][0]['shows']);
        self::assertSame(0, $plan['segments'][0]['shots'][0]['picture']['layers'][0]['film']['at_ms']);
        $this->postJson("/api/lessons/{$lesson->id}/exports")->assertJson(['state' => 'done']);

        $light = $this->light($this->media()->path((string) Export::query()->sole()->path));
        self::assertCount($plan['frames'], $light);
        foreach ([0, 10, 25, 40] as $frame) {
            self::assertEqualsWithDelta(16 + 4 * $frame, $light[$frame], 6, "frame {$frame}");
        }
        self::assertEqualsWithDelta(212, $light[count($light) - 1], 6, 'its last picture');
    }

    public function test_a_drawing_builds_up(): void
    {
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180]);
        $bar = fn (string $id, int $x): string => "<g {$id}><rect x=\"{$x}\" width=\"80\" height=\"180\" fill=\"#000\"/></g>";
        $svg = "{$this->mediaRoot}/bars.svg";
        file_put_contents($svg, '<svg xmlns="http://www.w3.org/2000/svg" '
            .'xmlns:inkscape="http://www.inkscape.org/namespaces/inkscape" viewBox="0 0 320 180">'
            .'<rect width="320" height="180" fill="#fff"/>'.$bar('id="step-2"', 160).$bar('inkscape:label="Step 1"', 0)
            .$bar('id="steps"', 240).'</svg>');
        $this->bring($lesson, $svg, 'bars.svg')->assertCreated();
        $told = $this->getJson("/api/lessons/{$lesson->id}/slides")->json()[0];
        self::assertSame([2, null], [$told['steps'], $told['film_ms']]);

        // What is no step is seen from the start.
        $slide = Slide::query()->sole();
        $dark = array_map(fn (array $step): array => $this->dark(
            "/api/slides/{$slide->id}/picture?v=".substr($step['hash'], 0, 8),
        ), $slide->steps);
        self::assertSame([[3], [0, 3], [0, 2, 3]], $dark);
        self::assertSame([0, 2, 3], $this->dark($told['url']), 'the slide itself is complete');

        // Another picture in its place does not build up.
        $picture = new UploadedFile(Clips::slide(), 'plain.png', null, null, true);
        $this->post("/api/slides/{$slide->id}/picture", ['file' => $picture], ['Accept' => 'application/json'])->assertOk();
        self::assertSame([], $slide->refresh()->steps);
    }

    /** @return list<int> quarters of a picture, from the left, that are dark */
    private function dark(string $url): array
    {
        $picture = imagecreatefromstring((string) file_get_contents($this->fileOf($this->get($url)->assertOk())->getPathname()));
        self::assertNotFalse($picture);
        $each = intdiv(imagesx($picture), 4);

        return array_values(array_filter(
            range(0, 3),
            fn (int $n): bool => (imagecolorat($picture, $n * $each + intdiv($each, 2), 20) & 0xFF) < 50,
        ));
    }

    private function streams(string $file): string
    {
        return Program::run(['ffprobe', '-v', 'error', '-show_entries', 'stream=codec_type', '-of', 'csv=p=0', $file])['output'];
    }

    /** @param  list<string>  $codec */
    private function film(string $name, array $codec, string $picture = 'testsrc2=s=640x360:r=20:d=2'): string
    {
        $sound = str_ends_with($name, 'gif') || str_contains($picture, 'r=1') ? [] : ['-f', 'lavfi', '-i', 'sine=d=2'];

        return Clips::make("stage-{$name}", ['-f', 'lavfi', '-i', $picture, ...$sound, ...$codec]);
    }

    private function bring(Lesson $lesson, string $file, string $name): TestResponse
    {
        return $this->post(
            "/api/lessons/{$lesson->id}/slides",
            ['files' => [new UploadedFile($file, $name, null, null, true)], 'fill' => false],
            ['Accept' => 'application/json'],
        );
    }
}
