<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Deck;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Logo;
use App\Models\Slide;
use App\Models\Take;
use App\Models\WorkState;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Routing\Route as One;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Route;
use PHPUnit\Framework\Attributes\TestWith;

/**
 * Every call is tried with wrong types, ids, sizes and characters: whatever comes, the answer is a sentence and never a fault.
 */
final class FuzzTest extends FeatureTestCase
{
    private const CASES_A_ROUTE = 14;

    private const FIELDS = [
        'title',
        'width',
        'height',
        'fps',
        'course_id',
        'like',
        'after',
        'heading',
        'script',
        'slide_id',
        'layout',
        'inset_corner',
        'inset_size',
        'text',
        'revision',
        'sections',
        'style',
        'name',
        'verdict',
        'used_from_ms',
        'used_until_ms',
        'tracks',
        'as_arrived',
        'purpose',
        'fill',
        'section',
        'file',
        'files',
        'card',
        'ink',
        'fps',
    ];

    /** @var list<string> */
    private array $ids = [];

    /** @var array<string, string> what there is, by the parameter that names it */
    private array $named = [];

    #[TestWith([1])]
    #[TestWith([1005])]
    #[TestWith([300])]
    public function test_no_call_ends_in_a_fault(int $seed): void
    {
        mt_srand($seed);
        Queue::fake();
        $this->world();
        $calls = 0;
        foreach (Route::getRoutes()->getRoutes() as $route) {
            if (! str_starts_with($route->uri(), 'api/')) {
                continue;
            }
            for ($case = 0; $case < self::CASES_A_ROUTE; $case++) {
                $path =
                    '/'.
                    preg_replace_callback(
                        '/\{(\w+)\??\}/',
                        fn (array $parameter): string => rawurlencode(mt_rand(0, 3) > 0 && isset($this->named[$parameter[1]])
                            ? $this->named[$parameter[1]]
                            : $this->pick([
                                ...$this->ids,
                                'nothing',
                                "a\0b",
                                '../x',
                                '🌊',
                                str_repeat('9', 40),
                                '-1',
                                '0',
                            ]),
                        ),
                        $route->uri(),
                    );
                $method = $route->methods()[0];
                $body = $this->body(self::fieldsOf($route));
                $isUpload = mt_rand(0, 5) === 0 && $method === 'POST';
                $answer = $isUpload
                    ? $this->call(
                        $method,
                        $path,
                        $body,
                        files: ['file' => $this->file(), 'files' => [$this->file()]],
                        server: ['HTTP_ACCEPT' => 'application/json'],
                    )
                    : $this->call(
                        $method,
                        $path.($method === 'GET' ? '?'.http_build_query($body) : ''),
                        server: ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/json'],
                        content: $method === 'GET' ? '' : $this->encoded($body),
                    );
                $said =
                    $answer->baseResponse instanceof \Symfony\Component\HttpFoundation\BinaryFileResponse
                        ? ''
                        : (string) $answer->getContent();
                self::assertLessThan(
                    500,
                    $answer->getStatusCode(),
                    "{$method} {$path} ".
                        json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR).
                        " {$said} ".
                        ($answer->exception ?? ''),
                );
                self::assertStringNotContainsString('SQLSTATE', $said);
                if ($answer->getStatusCode() >= 400) {
                    self::assertNotSame('', (string) $answer->json('detail'), "{$method} {$path}");
                }
                $calls++;
            }
        }
        self::assertGreaterThan(500, $calls);
    }

    /** @param  array<string, mixed>  $change */
    #[TestWith([['height' => -5]])]
    #[TestWith([['height' => 0]])]
    #[TestWith([['height' => 777]])]
    #[TestWith([['height' => 1_000_000_000]])]
    #[TestWith([['width' => 1280]])]
    #[TestWith([['width' => 1280, 'height' => 777]])]
    #[TestWith([['width' => '1280px', 'height' => 720]])]
    #[TestWith([['width' => [1280], 'height' => [720]]])]
    #[TestWith([['fps' => 0]])]
    #[TestWith([['fps' => [25]]])]
    #[TestWith([['title' => ['x']]])]
    #[TestWith([['title' => "\x00\x1F"]])]
    #[TestWith([['like' => ['x']]])]
    public function test_a_lesson_of_impossible_measures_is_refused(array $change): void
    {
        $this->postJson('/api/lessons', $change + ['title' => 'Odd'])
            ->assertUnprocessable()
            ->assertJsonPath('detail', fn (string $says): bool => $says !== '');
        self::assertSame(0, Lesson::query()->count());
    }

    public function test_nothing_is_recorded_into_a_lesson_that_was_deleted(): void
    {
        $section = $this->section();
        $take = Take::factory()->for($section)->create();
        $this->deleteJson("/api/lessons/{$section->lesson_id}")->assertNoContent();

        $this->postJson("/api/sections/{$section->id}/takes", [
            'tracks' => [['kind' => 'camera', 'mime' => 'video/webm']],
        ])->assertNotFound();
        $this->patchJson("/api/sections/{$section->id}", ['heading' => 'x'])->assertNotFound();
        $this->getJson("/api/sections/{$section->id}/picture")->assertNotFound();
        $this->postJson("/api/sections/{$section->id}/restore")->assertNotFound();
        self::assertSame(1, Take::query()->count());
        // What is on its way into a take that was begun before still arrives.
        $this->getJson("/api/takes/{$take->id}")->assertOk();
        $this->postJson("/api/lessons/{$section->lesson_id}/restore")->assertOk();
        $this->patchJson("/api/sections/{$section->id}", ['heading' => 'x'])->assertOk();
    }

    public function test_a_take_is_finished_with_all_its_tracks_or_as_it_arrived(): void
    {
        $take = $this->postJson("/api/sections/{$this->section()->id}/takes", [
            'tracks' => [['kind' => 'camera', 'mime' => 'video/webm']],
        ])->json();

        $all = [
            [],
            ['tracks' => []],
            ['tracks' => null],
            ['tracks' => [['id' => 'other', 'chunks' => 0, 'bytes' => 0]]],
            ['as_arrived' => false],
        ];
        foreach ($all as $body) {
            $status = $this->postJson("/api/takes/{$take['id']}/finish", $body)
                ->assertJsonPath('detail', fn (string $says): bool => $says !== '')
                ->getStatusCode();
            self::assertContains($status, [409, 422]);
        }
        self::assertSame('recording', $this->getJson("/api/takes/{$take['id']}")->json('state'));
    }

    public function test_parts_of_a_file_are_given_as_the_protocol_says(): void
    {
        $take = $this->record($this->section(), Clips::spoken());
        $url = "/api/takes/{$take->id}/media";
        $size = (int) filesize($this->media()->path((string) $take->played()?->file_path));

        $this->get($url, ['Range' => 'bytes=0-9'])
            ->assertStatus(206)
            ->assertHeader('Content-Range', "bytes 0-9/{$size}");
        $this->get($url, ['Range' => "bytes={$size}-"])
            ->assertStatus(416)
            ->assertHeader('Content-Range', "bytes */{$size}");
        $this->get($url, ['Range' => 'bytes=9-2'])->assertOk();
        $whole = $this->get($url)->assertOk();
        $this->get($url, ['If-Modified-Since' => (string) $whole->headers->get('Last-Modified')])->assertStatus(304);
        $this->get($url, ['If-None-Match' => (string) $whole->headers->get('ETag')])->assertStatus(304);
    }

    private function world(): void
    {
        $course = $this->postJson('/api/courses', ['name' => 'Water'])->json('id');
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180]);
        $gone = Lesson::factory()->create();
        $this->putJson("/api/lessons/{$lesson->id}/script", [
            'text' => "# T\n\n## A\n\nOne. Two.\n\n## Card\n\n[card: opening, 2 s]\n",
            'revision' => $lesson->revision,
        ])->assertOk();
        $section = $lesson->sections()->firstOrFail();
        $take = Take::factory()->for($section)->create();
        $open = $this->postJson("/api/sections/{$section->id}/takes", [
            'tracks' => [['kind' => 'camera', 'mime' => 'video/webm']],
        ])->json();
        $slide = $lesson
            ->slides()
            ->create([
                'name' => 'S',
                'path' => 'nowhere.png',
                'mime' => 'image/png',
                'hash' => str_repeat('a', 64),
                'width' => 320,
                'height' => 180,
                'position' => 1,
                'text' => '',
                'look' => [],
            ]);
        $deck = Deck::query()->create([
            'lesson_id' => $lesson->id,
            'name' => 'D',
            'path' => 'nowhere.pdf',
            'purpose' => 'replace',
            'state' => WorkState::Done,
        ]);
        $export = Export::query()->create([
            'lesson_id' => $lesson->id,
            'state' => WorkState::Done,
            'file_name' => 'x.mp4',
            'path' => 'nowhere.mp4',
        ]);
        $gone->delete();
        $this->ids = [
            $course,
            $lesson->id,
            $gone->id,
            $section->id,
            $take->id,
            $open['id'],
            $open['tracks'][0]['id'],
            $slide->id,
            $deck->id,
            $export->id,
            Logo::query()->value('hash') ?? 'x',
        ];
        $this->named = [
            'course' => $course, 'lesson' => $lesson->id, 'section' => $section->id, 'take' => $take->id, 'slide' => $slide->id,
            'track' => $open['tracks'][0]['id'], 'deck' => $deck->id, 'export' => $export->id, 'number' => '0', 'language' => 'de',
        ];
        self::assertNotNull(Slide::query()->find($slide->id));
    }

    /**
     * What a call asks for, by the rules of its request.
     *
     * @return array<string, string> the beginning of its rule, by name
     */
    private static function fieldsOf(One $route): array
    {
        $uses = $route->getAction('uses');
        [$controller, $method] = explode('@', is_string($uses) ? $uses : '') + [1 => '__invoke'];
        $fields = [];
        foreach (class_exists($controller) ? (new \ReflectionMethod($controller, $method))->getParameters() : [] as $parameter) {
            $type = $parameter->getType();
            $class = $type instanceof \ReflectionNamedType ? $type->getName() : '';
            if (is_subclass_of($class, FormRequest::class) && method_exists($class, 'rules')) {
                $request = new $class();
                $request->setRouteResolver(fn (): One => $route->bind(Request::create('/')));
                foreach ($request->rules() as $name => $rules) {
                    $fields[$name] = implode(' ', array_filter(is_array($rules) ? $rules : [$rules], is_string(...)));
                }
            }
        }

        return $fields;
    }

    /**
     * @param  array<string, string>  $fields  that the call asks for
     * @return array<string, mixed>
     */
    private function body(array $fields): array
    {
        $body = [];
        foreach ($fields as $name => $rules) {
            // Mostly what it could be, so that one comes past the first check.
            $body = mt_rand(0, 4) === 0 ? $body : self::with($body, explode('.', $name), mt_rand(0, 3) === 0
                ? $this->value(0)
                : match (true) {
                    str_contains($rules, 'integer') => mt_rand(0, 3),
                    str_contains($rules, 'numeric') => mt_rand(0, 1000) / 1000,
                    str_contains($rules, 'boolean') => mt_rand(0, 1) === 1,
                    str_contains($rules, 'array') => [],
                    default => $this->pick(['x', 'One.', 'kept', 'take', 'camera', ...$this->ids]),
                });
        }
        for ($i = mt_rand(0, 2); $i > 0; $i--) {
            $body[$this->pick(self::FIELDS)] = $this->value(0);
        }

        return $body;
    }

    /**
     * @param  array<string, mixed>  $body
     * @param  list<string>  $at  names, `*` for the first of a list
     * @return array<string, mixed>
     */
    private static function with(array $body, array $at, mixed $value): array
    {
        $place = &$body;
        foreach ($at as $name) {
            $place = is_array($place) ? $place : [];
            $place = &$place[$name === '*' ? 0 : $name];
        }
        $place = $value;

        return $body;
    }

    private function value(int $depth): mixed
    {
        $simple = [
            null,
            true,
            false,
            0,
            1,
            -5,
            777,
            1_000_000_000,
            2 ** 53,
            PHP_INT_MAX,
            9.3e18,
            1e308,
            -1e308,
            0.5,
            '',
            ' ',
            'x',
            '12',
            '1e5',
            "nul\0in",
            "\u{202E}rtl",
            '🌊 tide',
            '"quotes" & <b>',
            '{braces}\\',
            str_repeat('long ', 100),
            'kept',
            'camera',
            'replace',
            '2026-01-01',
            '[slide: x]',
            "# T\n\n## A\n\n[card: opening, 1 s]\n",
            ...$this->ids,
        ];

        return match (mt_rand(0, $depth > 2 ? 3 : 5)) {
            4 => array_map(fn (): mixed => $this->value($depth + 1), range(0, mt_rand(0, 3))),
            5 => [
                $this->pick([...self::FIELDS, 'id', 'kind', 'mime', 'chunks', 'bytes', 'inset_shape']) => $this->value(
                    $depth + 1,
                ),
                'kind' => 'camera',
                'mime' => 'video/webm',
                'id' => $this->value($depth + 1),
            ],
            default => $this->pick($simple),
        };
    }

    private function file(): UploadedFile
    {
        $path = sys_get_temp_dir().'/reel-fuzz-'.getmypid();
        file_put_contents(
            $path,
            $this->pick([
                '',
                'text',
                "\x89PNG\r\n\x1a\n".str_repeat('x', 50),
                '%PDF-1.4 nothing',
                "PK\x03\x04".str_repeat("\0", 40),
                '<svg',
                "\xFF\xD8\xFF\xE0",
                "\0\0\0",
            ]),
        );

        return new UploadedFile(
            $path,
            $this->pick([
                'a.png',
                'b.pdf',
                'c.pptx',
                'd.docx',
                'e.odt',
                'f.md',
                "g\0.svg",
                '../../h.jpg',
                '',
                '.odp',
                "\u{202E}gpj.exe",
            ]),
            'image/png',
            null,
            true,
        );
    }

    /** @param  array<string, mixed>  $body */
    private function encoded(array $body): string
    {
        return $this->pick([
            (string) json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR),
            (string) json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR),
            '',
            '[1,2',
            '5',
            '"text"',
            'null',
            '[[[[]]]]',
            '{"text":'.str_repeat('[', 600).str_repeat(']', 600).'}',
            "{\"title\":\"\xFF\"}",
        ]);
    }

    /**
     * @template T
     *
     * @param  list<T>  $from
     * @return T
     */
    private function pick(array $from): mixed
    {
        return $from[mt_rand(0, count($from) - 1)];
    }
}
