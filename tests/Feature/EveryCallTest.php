<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Course;
use App\Models\Lesson;
use App\Models\Music;
use App\Models\PairedDevice;
use App\Models\Pairing;
use App\Models\Section;
use App\Models\Take;
use Illuminate\Http\UploadedFile;
use Illuminate\Routing\Route as One;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Route;

/** Every call of the API is made once as it is meant, on a lesson that has everything: none is there that cannot succeed. */
final class EveryCallTest extends FeatureTestCase
{
    /** What there is nothing of here: who takes part where nobody signs in, and what only a course site or archive has. */
    private const ELSEWHERE = [
        'POST lessons/{lesson}/members', 'POST lessons/{lesson}/invitations', 'POST courses/{course}/members',
        'POST courses/{course}/invitations', 'PATCH memberships/{membership}', 'DELETE memberships/{membership}',
        'DELETE invitations/{invitation}', 'POST lessons/{lesson}/approvals', 'DELETE lessons/{lesson}/approvals/mine',
        'POST notices/read', 'GET draft-voices/{key}', 'POST deliveries/{delivery}/cancel', 'POST lessons/{lesson}/delivery',
        'GET slides/{slide}/film', 'POST decks/{deck}/undo', 'POST decks/{deck}/cancel', 'GET {fallbackPlaceholder}',
        'GET takes/{take}/cleaned/sound', 'POST lessons/{lesson}/held-comments', 'GET takes/{take}/tracks/{kind}',
    ];

    /** @var array<string, string> what an address names, by parameter */
    private array $named = [];

    public function test_every_call_can_succeed(): void
    {
        $this->world();
        Queue::fake();
        $calls = $this->calls();
        $failed = [];
        $tried = 0;
        /** @var One $route */
        foreach (self::goneForGoodLast() as $route) {
            $name = $route->methods()[0].' '.substr($route->uri(), 4);
            if (! str_starts_with($route->uri(), 'api/') || in_array($name, self::ELSEWHERE, true)) {
                continue;
            }
            $call = $calls[$name] ?? [];
            $path = '/'.preg_replace_callback(
                '/\{(\w+)\??\}/', fn (array $m): string => $call['named'][$m[1]] ?? $this->named[$m[1]] ?? 'unknown', $route->uri(),
            ).($call['query'] ?? '');
            DB::beginTransaction();
            ($call['before'] ?? fn () => null)();
            $answer = $this->call(
                $route->methods()[0],
                $path,
                $call['files'] ?? null ? $call['body'] ?? [] : [],
                files: $call['files'] ?? [],
                server: ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/json'] + ($call['server'] ?? []),
                content: $call['content'] ?? (string) json_encode($call['body'] ?? []),
            );
            DB::rollBack();
            $tried++;
            if ($answer->getStatusCode() >= 400) {
                $failed[] = "{$name}: {$answer->getStatusCode()} ".substr((string) $answer->getContent(), 0, 200);
            }
        }
        self::assertSame([], $failed);
        self::assertGreaterThan(100, $tried);
    }

    /** @return list<One> what takes files from the disk comes last: only the database is put back */
    private static function goneForGoodLast(): array
    {
        $routes = array_values(Route::getRoutes()->getRoutes());
        usort($routes, fn (One $a, One $b): int => str_ends_with($a->uri(), 'for-good') <=> str_ends_with($b->uri(), 'for-good'));

        return $routes;
    }

    private function world(): void
    {
        $course = Course::query()->create(['name' => 'Reading the Water', 'style' => []]);
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180, 'fps' => 25, 'course_id' => $course->id]);
        $picture = UploadedFile::fake()->image('table.png', 320, 180);
        $slide = $this->post("/api/lessons/{$lesson->id}/slides", ['files' => [$picture]])->json('slides.0.id')
            ?? $lesson->slides()->value('id');
        $text = "# T\n\n## A\n\n[slide: table] One here. [zoom: 20 20 50] Two there.\n\n## Card\n\n[card: opening, 2 s]\n\nHello.\n";
        $this->putJson("/api/lessons/{$lesson->id}/script", [
            'text' => $text, 'revision' => $lesson->refresh()->revision,
        ])->assertOk();
        [$section, $card] = $lesson->sections()->get()->all();
        $take = $this->keep($this->record($section, Clips::spoken()));
        $open = $this->postJson("/api/sections/{$section->id}/takes", ['tracks' => [['kind' => 'camera', 'mime' => 'video/webm']]]);
        $export = $this->postJson("/api/lessons/{$lesson->id}/exports")->json('id');
        $this->postJson("/api/lessons/{$lesson->id}/publication", ['export_id' => $export])->assertSuccessful();
        $this->post("/api/lessons/{$lesson->id}/music", ['file' => self::tune()])->assertCreated();
        $spare = $this->record($section, Clips::spoken());
        $logo = UploadedFile::fake()->image('mark.png', 40, 20);
        $this->post("/api/courses/{$course->id}/logos", ['file' => $logo])->assertCreated();
        $arrival = $this->postJson('/api/archives', ['name' => 'x.zip'])->json('id');
        $this->named = [
            'lesson' => $lesson->id, 'course' => $course->id, 'section' => $section->id, 'take' => $take->id, 'slide' => (string) $slide,
            'track' => $open->json('tracks.0.id'), 'export' => $export,
            'music' => (string) Music::query()->value('id'), 'spare' => $spare->id, 'arrival' => $arrival,
            'window' => 'window-one', 'kind' => 'scorm', 'number' => '0', 'language' => 'de', 'open' => $open->json('id'),
            'card' => $card->id, 'hash' => (string) DB::table('logos')->value('hash'),
            'comment' => $this->comment($lesson, $section, $take),
            'paired_device' => PairedDevice::query()->create(self::phone() + ['paired_at' => now(), 'used_at' => now()])->id,
            'pairing' => Pairing::query()->create(self::phone() + ['code' => 'x', 'made_at' => now(), 'asked_at' => now()])->id,
        ];
    }

    /** @return array<string, string> */
    private static function phone(): array
    {
        return ['name' => 'Phone', 'network' => '192.168.7.20', 'token' => 'x'];
    }

    private static function tune(): UploadedFile
    {
        $tune = Clips::make('tune.wav', ['-f', 'lavfi', '-i', 'sine=f=440:d=4']);

        return new UploadedFile($tune, 'tune.wav', 'audio/wav', null, true);
    }

    private function comment(Lesson $lesson, Section $section, Take $take): string
    {
        $publication = DB::table('publications')->where('lesson_id', $lesson->id)->value('id');
        $id = strtolower((string) \Illuminate\Support\Str::ulid());
        DB::table('comments')->insert([
            'id' => $id, 'publication_id' => $publication, 'name' => 'Wenna', 'text' => 'Is it 4.8?',
            'at_ms' => 100, 'version' => 1, 'line_text' => 'One here.',
            'created_at' => now(), 'updated_at' => now(),
        ]);

        return $id;
    }

    /** @return array<string, array<string, mixed>> by call: `body`, `query`, `files`, `content`, `server`, `named`, `before` */
    private function calls(): array
    {
        $lesson = Lesson::query()->findOrFail($this->named['lesson']);
        $section = Section::query()->findOrFail($this->named['section']);
        $lines = DB::table('lines')->where('section_id', $section->id)->orderBy('position')->pluck('id')->all();
        $picture = fn (): UploadedFile => UploadedFile::fake()->image('a.png', 320, 180);
        $file = fn (string $name, string $content): UploadedFile => UploadedFile::fake()->createWithContent($name, $content);
        $chunk = ['content' => 'x', 'server' => ['HTTP_X_CHUNK_SHA256' => hash('sha256', 'x')]];
        $captions = $this->getJson("/api/lessons/{$lesson->id}/captions")->json('sections.0.captions');
        $caption = $captions[0];
        $gone = fn (string $model, string $named): \Closure => fn () => $model::query()->findOrFail($this->named[$named])->delete();
        $revision = ['revision' => $lesson->revision];
        $shown = stripslashes((string) $this->getJson("/api/lessons/{$lesson->id}/script")->getContent());
        preg_match('#/api/cards/([0-9a-f]{64})#', $shown, $drawn);

        return [
            'POST lessons' => ['body' => ['title' => 'New', 'width' => 1280, 'height' => 720, 'fps' => 25]],
            'PUT lessons/{lesson}' => ['body' => ['title' => 'Other']],
            'POST lessons/{lesson}/restore' => ['before' => $gone(Lesson::class, 'lesson')],
            'DELETE lessons/{lesson}/for-good' => ['before' => $gone(Lesson::class, 'lesson')],
            'POST courses/{course}/restore' => ['before' => $gone(Course::class, 'course')],
            'POST sections/{section}/restore' => ['before' => fn () => $this->deleteJson("/api/sections/{$section->id}")],
            'POST music/{music}/restore' => ['before' => $gone(Music::class, 'music')],
            'PUT lessons/{lesson}/here/{window}' => ['body' => ['room' => 'script', 'recording' => false]],
            'PUT lessons/{lesson}/room' => ['body' => [
                'section' => 'A', 'state' => 'armed', 'line' => 0, 'lines' => 2, 'now' => 'One here.', 'next' => '',
                'elapsed_ms' => 0, 'count_left' => 0,
            ]],
            'POST pairings/{pairing}/accept' => ['before' => fn () => PairedDevice::query()->delete()],
            'PUT lessons/{lesson}/verdicts' => ['body' => ['takes' => [
                ['id' => $this->named['take'], 'verdict' => 'undecided', 'kept_order' => 0, 'given' => []],
            ], 'script' => null]],
            'PUT lessons/{lesson}/choices' => ['body' => ['lines' => [$lines[0]], 'take' => $this->named['take']]],
            'PUT lessons/{lesson}/order' => ['body' => ['sections' => [$this->named['card'], $section->id]]],
            'PUT lessons/{lesson}/script' => ['body' => ['text' => "# T\n"] + $revision],
            'PATCH sections/{section}' => ['body' => ['heading' => 'High water']],
            'POST sections/{section}/cues' => [
                'body' => ['cue' => '[zoom: out]', 'from' => ['line' => $lines[0], 'word' => 0]] + $revision,
            ],
            'PUT sections/{section}/cues/{number}' => ['body' => ['was' => '[slide: table]', 'cue' => null] + $revision],
            'POST read-script' => ['files' => ['file' => $file('a.txt', 'The tide falls.')]],
            'POST lessons/{lesson}/music' => ['files' => ['file' => self::tune()]],
            'GET music/{hash}' => ['named' => ['hash' => (string) Music::query()->value('hash')]],
            'GET cards/{hash}' => ['named' => ['hash' => $drawn[1] ?? 'unknown']],
            'POST takes/{take}/read-again' => ['named' => ['take' => $this->named['spare']]],
            'POST archives' => ['body' => ['name' => 'y.zip']],
            'PUT archives/{arrival}/chunks/{number}' => $chunk,
            'POST archives/{arrival}/finish' => ['body' => ['bytes' => 1], 'before' => fn () => DB::table('archive_imports')->update([
                'bytes' => 1, 'next_chunk' => 1,
            ])],
            'PUT courses/{course}' => ['body' => ['name' => 'Other water']],
            'POST courses' => ['body' => ['name' => 'Knots']],
            'POST courses/{course}/logos' => ['files' => ['file' => $picture()]],
            'PATCH lessons/{lesson}/style' => ['body' => ['style' => ['layout' => 'side-by-side']]],
            'POST lessons/{lesson}/slides' => ['files' => ['files' => [$picture()]]],
            'PATCH slides/{slide}' => ['body' => ['name' => 'Other table']],
            'POST slides/{slide}/restore' => ['before' => fn () => $this->deleteJson("/api/slides/{$this->named['slide']}")],
            'POST slides/{slide}/picture' => ['files' => ['file' => $picture()]],
            'POST sections/{section}/takes' => ['body' => ['tracks' => [['kind' => 'camera', 'mime' => 'video/webm']]]],
            'POST sections/{section}/takes/copy' => ['body' => ['take' => $this->named['take']]],
            'PATCH takes/{take}' => ['body' => ['verdict' => 'kept']],
            'DELETE takes/{take}' => ['named' => ['take' => $this->named['open']]],
            'PUT takes/{take}/events/{number}' => [
                'named' => ['take' => $this->named['open']], 'content' => '{"at_ms":0,"kind":"line","line":1}',
            ],
            'POST takes/{take}/finish' => ['named' => ['take' => $this->named['open']], 'body' => ['as_arrived' => true]],
            'GET takes/{take}/cleaned' => ['query' => '?noise=light&hum=0&low_cut=0'],
            'PUT tracks/{track}/chunks/{number}' => $chunk,
            'POST lessons/{lesson}/exports' => ['body' => []],
            'PUT lessons/{lesson}/translations/{language}' => ['body' => [
                'line' => $lines[0], 'word' => 0, 'was' => 'One here.', 'text' => 'Eins.',
            ]],
            'PUT lessons/{lesson}/translations/{language}/all' => ['body' => ['texts' => []]],
            'POST lessons/{lesson}/translations/{language}/file' => ['files' => ['file' => $file(
                'de.vtt', "WEBVTT\n\n00:00.000 --> 00:02.000\nEins.\n",
            )]],
            'POST lessons/{lesson}/captions/undo' => ['body' => ['added' => [], 'removed' => []]],
            'PUT sections/{section}/captions' => ['body' => ['was' => array_column($captions, 'was')]],
            'PUT sections/{section}/captions/{number}' => ['body' => ['was' => $caption['was'], 'text' => 'One.']],
            'POST sections/{section}/captions/{number}/move' => ['body' => ['was' => $caption['was'], 'by' => -1]],
            'PUT exports/{export}/thumbnail' => ['body' => ['at_ms' => 100]],
            'GET exports/{export}/beside/{kind}' => ['named' => ['kind' => 'captions.vtt']],
            'GET search' => ['query' => '?q=tide'],
            'POST lessons/{lesson}/publication' => ['body' => ['export_id' => $this->named['export']]],
            'PATCH lessons/{lesson}/publication' => ['body' => ['withdrawn' => true]],
            'PATCH comments/{comment}' => ['body' => ['done' => true]],
            'POST comments/{comment}/answers' => ['body' => ['text' => 'It is.']],
        ];
    }
}
