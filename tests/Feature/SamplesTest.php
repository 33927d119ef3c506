<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Lesson;
use App\Models\Section;
use App\Models\User;
use Illuminate\Http\UploadedFile;

/**
 * What the API really answers, kept as samples that the interface's types are checked against (tests/js/samples.ts, by the
 * compiler). After a change of the API: UPDATE_SAMPLES=1 vendor/bin/phpunit --filter SamplesTest.
 */
final class SamplesTest extends FeatureTestCase
{
    private const FILE = __DIR__.'/../js/samples.ts';

    public function test_the_samples_are_what_the_api_answers(): void
    {
        User::query()->create(['name' => 'Wenna', 'email' => 'wenna@saltmarsh.example', 'password' => 'low water at noon']);
        $lesson = $this->lesson();
        $section = $lesson->sections()->firstOrFail();
        $this->postJson("/api/lessons/{$lesson->id}/exports")->assertStatus(202);
        // One is on its way.
        $this->postJson("/api/sections/{$section->id}/takes", [
            'tracks' => [['kind' => 'camera', 'mime' => 'video/webm']],
        ])->assertCreated();

        $film = $this->getJson("/api/lessons/{$lesson->id}/exports")->json('0.id');
        config(['filesystems.disks.site.root' => "{$this->mediaRoot}/site"]);
        $this->postJson("/api/lessons/{$lesson->id}/delivery", ['export_id' => $film])->assertStatus(202);
        $address = $this->postJson("/api/lessons/{$lesson->id}/publication", ['export_id' => $film])->json('site.path');
        $comments = $this->postJson("{$address}/comments", ['name' => 'Piran', 'text' => 'Louder.', 'at_ms' => 900]);
        $this->postJson("/api/comments/{$comments->json('0.id')}/answers", ['text' => 'I will.'])->assertOk();

        $answers = [
            'lessons: LessonSummary[]' => 'lessons',
            'glance: Glance' => "lessons/{$lesson->id}/glance",
            'lesson: Lesson' => "lessons/{$lesson->id}",
            'takes: Take[]' => "sections/{$section->id}/takes",
            'assembly: Assembly' => "lessons/{$lesson->id}/assembly",
            'exports: Export[]' => "lessons/{$lesson->id}/exports",
            'script: ScriptText' => "lessons/{$lesson->id}/script",
            'findings: Finding[]' => "lessons/{$lesson->id}/script/ready",
            'ties: TieProposal[]' => "lessons/{$lesson->id}/script/ties",
            'slides: Slide[]' => "lessons/{$lesson->id}/slides",
            'cues: LessonCues' => "lessons/{$lesson->id}/cues",
            'captions: LessonCaptions' => "lessons/{$lesson->id}/captions",
            'site: LessonSite' => "lessons/{$lesson->id}/publication",
            'delivery: SiteDelivery' => "lessons/{$lesson->id}/delivery",
            'music: OfferedMusic[]' => "lessons/{$lesson->id}/music",
            'decks: Deck[]' => "lessons/{$lesson->id}/decks",
            'courses: Course[]' => 'courses',
            'style: LessonStyle' => "lessons/{$lesson->id}/style",
            'pictures: LinePicture[]' => "sections/{$section->id}/picture?width=640&height=480",
            'members: Members' => "lessons/{$lesson->id}/members",
            'draft: ReviewState' => "lessons/{$lesson->id}/draft",
            'history: HistoryPage' => "lessons/{$lesson->id}/history",
            'sample: Picture' => 'sample-picture?layout=camera-alone',
        ];
        $said = '';
        $types = [];
        foreach ($answers as $name => $path) {
            [$constant, $type] = explode(': ', $name);
            $types[] = rtrim($type, '[]');
            $json = json_encode(
                $this->getJson("/api/{$path}")
                    ->assertOk()
                    ->json(),
                JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION,
            );
            $said .= "\nexport const {$constant} = {$json} satisfies {$type};\n";
        }
        sort($types);
        $text =
            "// Made by tests/Feature/SamplesTest.php: what the API answers, which the compiler compares with the types.\n".
            "import type {\n".
            implode('', array_map(fn (string $t): string => "    {$t},\n", array_unique($types))).
            "} from '../../resources/js/api/types';\n".
            self::lasting($said);
        if (getenv('UPDATE_SAMPLES') !== false) {
            file_put_contents(self::FILE, $text);
        }

        self::assertStringEqualsFile(
            self::FILE,
            $text,
            'The API answers otherwise than the samples say. See above how to '.
                'make them anew, and whether the types still hold.',
        );
    }

    private function lesson(): Lesson
    {
        $course = $this->postJson('/api/courses', [
            'name' => 'Reading the Water',
            'style' => ['inset_shape' => 'rounded', 'border' => 'thin'],
        ])
            ->assertCreated()
            ->json('id');
        $id = $this->postJson('/api/lessons', ['title' => 'Tides', 'course_id' => $course])
            ->assertCreated()
            ->json('id');
        $lesson = Lesson::query()->findOrFail($id);
        $lesson->update(['width' => 320, 'height' => 180]);
        $files = array_map(
            fn (string $size): UploadedFile => new UploadedFile(Clips::slide($size), "{$size}.png", null, null, true),
            ['640x360', '360x360'],
        );
        $this->post(
            "/api/lessons/{$id}/slides",
            ['files' => $files, 'fill' => '0'],
            ['Accept' => 'application/json'],
        )->assertCreated();
        $text =
            "[target 0:30]\n\n# Tides\n\n## High water\n\n[slide: 640x360]\n\nFind the day. [layout: camera alone] Then ".
            "4.8 4.9 5.0 5.1 read the height.\n\n".
            "## Not yet\n\nNobody has said this.\n\n## Bye\n\n[card: closing, 2 s] [music: Slack water]\n\nThanks.\n";
        $this->putJson("/api/lessons/{$id}/script", ['text' => $text, 'revision' => $lesson->refresh()->revision])->assertOk();
        /** @var Section $section */
        $section = $lesson->sections()->firstOrFail();
        $this->keep($this->record($section, Clips::spoken()));
        $this->putJson("/api/lessons/{$id}/script", [
            'text' => str_replace('Find the day', 'Find the right day', $text),
            'revision' => $lesson->refresh()->revision,
        ])->assertOk();

        return $lesson->refresh();
    }

    /** Without what is another at every run: ids, hashes, times of day, and what an encoder measures. */
    private static function lasting(string $text): string
    {
        $ids = [];
        $text = (string) preg_replace_callback(
            '/\b[0-9a-z]{26}\b/',
            function (array $m) use (&$ids): string {
                return $ids[$m[0]] ??= 'id'.(count($ids) + 1);
            },
            $text,
        );
        $text = (string) preg_replace(
            ['/\b[0-9a-f]{64}\b/', '/\?v=[0-9a-f]{8}/', '/\d{4}-\d\d-\d\dT\d\d:\d\d:\d\dZ/',
                '#/watch/\w{24}#'],
            ['hash', '?v=12345678', '2026-03-01T12:00:00Z', '/watch/token'],
            $text,
        );

        return (string) preg_replace(
            ['/"(bytes|done|total)": \d+/', '/"gain_db": -?[\d.]+/', '/(Loudness|Meant were) '.'[^"]*/', '/"ok": (true|false)/'],
            ['"$1": 1', '"gain_db": 1.5', 'Loudness', '"ok": true'],
            $text,
        );
    }
}
