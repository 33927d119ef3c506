<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\ReadAloudJob;
use App\Media\Office\Presentation;
use App\Media\Program;
use App\Media\ProgramFailed;
use App\Media\Sandbox;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Slide;
use App\Models\Take;
use App\Models\Track;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;
use OpenReel\Core\Take\TakeState;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Nothing that comes from outside is believed: files that name other files, sites that are not ours, types that clients say. */
final class TrustTest extends FeatureTestCase
{
    #[TestWith(["#EXTM3U\n#EXT-X-TARGETDURATION:10\n#EXTINF:10,\n%s\n#EXT-X-ENDLIST\n"], 'a playlist')]
    #[TestWith(["ffconcat version 1.0\nfile '%s'\n"], 'a list of cuts')]
    #[TestWith(["#EXTM3U\n#EXT-X-TARGETDURATION:1\n#EXTINF:1,\nhttp://127.0.0.1:9/never.ts\n"], 'a playlist that never ends')]
    public function test_a_recording_that_names_other_files_is_none(string $says): void
    {
        $secret = $this->record($this->section(), Clips::spoken());
        $take = $this->bring(sprintf($says, $this->media()->path((string) $secret->played()?->file_path)));

        self::assertSame(TakeState::Unusable, $take->state);
        self::assertNull($take->played());
    }

    public function test_a_recording_whose_times_jump_is_told_so_at_once(): void
    {
        $start = microtime(true);
        $take = $this->bring((string) file_get_contents(Clips::timeJump()));

        self::assertSame(TakeState::Unusable, $take->state);
        self::assertStringContainsString('times in this recording jump', (string) $take->problem);
        self::assertLessThan(20, microtime(true) - $start);
    }

    public function test_programs_that_open_foreign_files_have_no_network_and_not_all_of_the_memory(): void
    {
        $server = stream_socket_server('tcp://127.0.0.1:0');
        self::assertNotFalse($server);
        $address = (string) stream_socket_get_name($server, false);
        try {
            Program::run(['ffmpeg', '-v', 'error', '-i', "tcp://{$address}", '-f', 'null', '-'], seconds: 10);
            self::fail('It had something to play.');
        } catch (ProgramFailed $failure) {
            self::assertStringContainsString('Network is unreachable', $failure->detail);
        }
        $read = [$server];
        $write = $except = null;
        self::assertSame(0, stream_select($read, $write, $except, 0), 'nobody knocked');
        $limit = Program::run(['bash', '-c', 'ulimit -v'])['output'];
        self::assertSame(Sandbox::MEMORY_BYTES / 1024, (int) $limit);
    }

    public function test_a_program_that_says_more_than_anybody_reads_is_stopped(): void
    {
        $before = memory_get_peak_usage();
        try {
            Program::run(['sh', '-c', 'while :; do head -c 60000 /dev/zero; head -c 60000 /dev/zero 1>&2; done'], seconds: 60);
            self::fail('It came to an end.');
        } catch (ProgramFailed $failure) {
            self::assertStringContainsString('more than anybody reads', $failure->detail);
        }
        self::assertLessThan(256 * 1024 * 1024, memory_get_peak_usage() - $before);
    }

    public function test_what_a_presentation_would_fetch_is_taken_out(): void
    {
        $relation = fn (
            string $type,
            string $target,
            string $mode,
        ): string => "<Relationship Id=\"r{$type}\" "
            ."Type=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships/{$type}\" Target=\"{$target}\"{$mode}/>";
        $rels =
            '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">'.
            $relation('image', 'file:///etc/hostname', ' TargetMode="External"').
            $relation('audio', 'http://example.org/x.mp3', '').
            $relation('video', '../media/own.mp4', '').
            $relation('hyperlink', 'https://example.org/', ' TargetMode="External"').
            '</Relationships>';
        $pptx = $this->archive([
            'ppt/presentation.xml' => '<p:presentation '
                .'xmlns:p="http://schemas.openxmlformats.org/presentationml/2006/main">'
                .'<p:sldIdLst><p:sldId/><p:sldId/></p:sldIdLst></p:presentation>',
            'ppt/slides/_rels/slide1.xml.rels' => $rels,
        ]);
        self::assertSame(2, Presentation::tame($pptx, 'deck.pptx'));
        $left = $this->part($pptx, 'ppt/slides/_rels/slide1.xml.rels');
        self::assertStringNotContainsString('hostname', $left);
        self::assertStringNotContainsString('x.mp3', $left);
        self::assertStringContainsString('own.mp4', $left);
        self::assertStringContainsString('https://example.org/', $left, 'a link to be clicked on loads nothing');

        $odp = $this->archive([
            'content.xml' => '<office:document-content xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" '
                .'xmlns:draw="urn:oasis:names:tc:opendocument:xmlns:drawing:1.0" '
                    .'xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0" '
                        .'xmlns:xlink="http://www.w3.org/1999/xlink"><office:body>'.
                '<draw:page><draw:image xlink:href="file:///etc/hostname"/><draw:image '
                    .'xlink:href="../../secret.png"/><draw:image xlink:href="Pictures/own.png"/><text:a '
                        .'xlink:href="https://example.org/"/></draw:page></office:body></office:document-content>',
        ]);
        self::assertSame(1, Presentation::tame($odp, 'deck.odp'));
        preg_match_all('/xlink:href="([^"]*)"/', $this->part($odp, 'content.xml'), $addresses);
        self::assertSame(['Pictures/own.png', 'https://example.org/'], $addresses[1]);
    }

    public function test_a_document_type_is_seen_in_any_encoding(): void
    {
        $xml =
            '<!DOCTYPE x [<!ENTITY a "aaaa">]><w:document '
                .'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main">'
                .'<w:body><w:p><w:r><w:t>&a;</w:t></w:r></w:p></w:body></w:document>';
        $all = [
            '<?xml version="1.0" encoding="UTF-8"?>'.$xml,
            "\xFF\xFE".mb_convert_encoding('<?xml version="1.0" encoding="UTF-16"?>'.$xml, 'UTF-16LE', 'UTF-8'),
        ];
        foreach ($all as $document) {
            $this->readScript($this->archive(['word/document.xml' => $document]), 'x.docx')
                ->assertUnprocessable()
                ->assertJsonPath('detail', '"x.docx" is damaged: its text cannot be read.');
        }
    }

    public function test_a_document_of_many_megabytes_is_read_as_a_stream_and_ends_in_a_sentence(): void
    {
        $words = '';
        mt_srand(7);
        for ($i = 0; $i < 60_000; $i++) {
            $words .= '<w:p><w:r><w:t>'.bin2hex(pack('N4', mt_rand(), mt_rand(), mt_rand(), mt_rand())).'</w:t></w:r></w:p>';
        }
        $before = memory_get_peak_usage();
        $file = $this->archive([
            'word/document.xml' => '<w:document '
                .'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main">'
                ."<w:body>{$words}</w:body></w:document>",
        ]);
        unset($words);
        $this->readScript($file, 'long.docx')
            ->assertUnprocessable()
            ->assertJsonPath('detail', '"long.docx" has more than 500,000 characters. Bring it in in parts.');
        self::assertLessThan(60 * 1024 * 1024, memory_get_peak_usage() - $before);
    }

    public function test_pages_without_end_are_counted_before_they_are_drawn(): void
    {
        $pages = '';
        for ($i = 0; $i < 500; $i++) {
            $pages .= '<draw:page draw:name="'.bin2hex(random_bytes(20)).'"/>';
        }
        $odp = $this->archive([
            'content.xml' => '<office:document-content xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" '
                .'xmlns:draw="urn:oasis:names:tc:opendocument:xmlns:drawing:1.0">'
                ."<office:body>{$pages}</office:body></office:document-content>",
        ]);
        $lesson = Lesson::factory()->create();
        $deck = $this->post(
            "/api/lessons/{$lesson->id}/slides",
            ['files' => [new UploadedFile($odp, 'endless.odp', null, null, true)]],
            ['Accept' => 'application/json'],
        )
            ->assertCreated()
            ->json('decks.0');

        self::assertSame(
            ['failed', '"endless.odp" has 500 pages; at most 400 can be brought in at once.'],
            [$deck['state'], $deck['problem']],
        );
    }

    /** @param  array<string, string>  $headers */
    #[TestWith([['Sec-Fetch-Site' => 'same-origin'], 201])]
    #[TestWith([['Sec-Fetch-Site' => 'cross-site', 'X-Open-Reel' => '1'], 403])]
    #[TestWith([['Sec-Fetch-Site' => 'same-site'], 403], 'another port of this machine')]
    #[TestWith([['Origin' => 'http://localhost'], 201], 'a browser on plain http says where from')]
    #[TestWith([['Origin' => 'http://evil.example', 'X-Open-Reel' => '1'], 403])]
    #[TestWith([['Origin' => 'null'], 403])]
    #[TestWith([['X-Open-Reel' => '1'], 201], 'a program of ours')]
    #[TestWith([[], 403], 'a form of who knows where')]
    public function test_only_our_own_pages_change_things(array $headers, int $status): void
    {
        $this->withServerVariables([]);
        $this->postJson('http://localhost/api/lessons', ['title' => 'Whose?'], $headers)->assertStatus($status);
        self::assertSame($status === 201 ? 1 : 0, Lesson::query()->count());
        // Nor may a page of another site have anything drawn or packed here.
        $from = $headers['Sec-Fetch-Site'] ?? 'same-origin';
        $this->getJson('/api/lessons', $headers)->assertStatus($from === 'same-origin' ? 200 : 403);
        $this->getJson('/api/sample-card', $headers)->assertStatus($from === 'same-origin' ? 200 : 403);
    }

    #[TestWith(['/%00'])]
    #[TestWith(['/api/lessons/%00'])]
    #[TestWith(['/watch/%0a'])]
    #[TestWith(['/lessons/%7f/script'])]
    public function test_an_address_that_nobody_can_have_typed_is_none(string $address): void
    {
        $this->withoutVite()->get($address)->assertStatus(400);
    }

    /** @param  array<string, string>  $server */
    #[TestWith([['REMOTE_ADDR' => '127.0.0.1'], 200])]
    #[TestWith([['REMOTE_ADDR' => '::1'], 200])]
    #[TestWith([['REMOTE_ADDR' => '192.168.1.7'], 421], 'somebody else in the house, who says the right name')]
    #[TestWith([['REMOTE_ADDR' => '127.0.0.1', 'HTTP_X_FORWARDED_FOR' => '203.0.113.9'], 421], 'through a proxy')]
    #[TestWith([['REMOTE_ADDR' => '127.0.0.1', 'HTTP_VIA' => '1.1 studio'], 421])]
    #[TestWith([['REMOTE_ADDR' => '127.0.0.1', 'HTTP_FORWARDED' => 'for=203.0.113.9'], 421])]
    public function test_where_one_works_alone_nobody_else_is_answered(array $server, int $status): void
    {
        $this->withServerVariables($server)->getJson('http://localhost/api/lessons')->assertStatus($status);
    }

    #[TestWith(['studio.example.org', 200])]
    #[TestWith(['studio.example.org:443', 200])]
    #[TestWith(['studio.example.org:8443', 200], 'as the settings say')]
    #[TestWith(['studio.example.org:9999', 421], 'somebody else may listen there')]
    #[TestWith(['other.example.org:9000', 200], 'with its port')]
    #[TestWith(['other.example.org', 421])]
    public function test_a_name_is_known_with_its_port(string $host, int $status): void
    {
        config([
            'reel.mode' => 'people', 'session.driver' => 'array', 'app.url' => 'https://studio.example.org:8443',
            'reel.hosts' => ['localhost', 'studio.example.org', 'other.example.org:9000'],
        ]);
        $this->withoutVite()->get("http://{$host}/sign-in")->assertStatus($status);
    }

    #[TestWith(['localhost', 200])]
    #[TestWith(['127.0.0.1:8020', 200])]
    #[TestWith(['[::1]:8020', 200])]
    #[TestWith(['rebound.example', 421])]
    #[TestWith(['localhost.evil.example', 421])]
    public function test_only_known_names_are_answered(string $host, int $status): void
    {
        foreach (['/api/lessons', '/'] as $path) {
            $this->withoutVite()
                ->get("http://{$host}{$path}")
                ->assertStatus($status);
        }
    }

    public function test_a_name_can_be_added_by_the_operator(): void
    {
        config(['reel.hosts' => ['studio.saltmarsh.example'], 'reel.mode' => 'people']);
        $this->getJson('http://studio.saltmarsh.example/api/lessons')->assertStatus(401);
        $this->getJson('http://localhost/api/lessons')->assertStatus(421);
        // Without a sign-in nobody but this machine is answered, whatever the name.
        config(['reel.mode' => 'me']);
        $this->getJson('http://studio.saltmarsh.example/api/lessons')->assertStatus(421);
    }

    public function test_every_answer_says_how_it_is_to_be_taken(): void
    {
        $this->withoutVite();
        $take = $this->record($this->section(), Clips::spoken());
        $all = [
            '/api/lessons',
            '/api/nothing',
            "/api/takes/{$take->id}/media",
            "/api/takes/{$take->id}/wave",
            '/',
            "/api/lessons/{$take->section->lesson_id}/script/file",
        ];
        foreach ($all as $path) {
            $answer = $this->get($path);
            self::assertSame('nosniff', $answer->headers->get('X-Content-Type-Options'), $path);
            self::assertStringContainsString(
                "frame-ancestors 'none'",
                (string) $answer->headers->get('Content-Security-Policy'),
                $path,
            );
            self::assertStringNotContainsString(
                "script-src 'unsafe",
                (string) $answer->headers->get('Content-Security-Policy'),
                $path,
            );
        }
    }

    public function test_types_that_clients_name_are_never_served(): void
    {
        $section = $this->section();
        foreach (['video/html', 'audio/x-javascript', 'text/html', 'video/webm/../html'] as $mime) {
            $this->postJson("/api/sections/{$section->id}/takes", [
                'tracks' => [['kind' => 'camera', 'mime' => $mime]],
            ])->assertUnprocessable();
        }
        $made = $this->postJson("/api/sections/{$section->id}/takes", [
            'tracks' => [['kind' => 'camera', 'mime' => 'Video/WebM;codecs="vp8,opus"']],
        ])
            ->assertCreated()
            ->json();
        $this->sendChunk($made['tracks'][0]['id'], 0, '<script>alert(1)</script>')->assertOk();
        self::assertSame('video/webm', Track::query()->sole()->mime);
        self::assertSame(
            'video/webm',
            $this->get("/api/takes/{$made['id']}/media")
                ->assertOk()
                ->headers->get('Content-Type'),
        );
    }

    public function test_looking_leaves_no_files(): void
    {
        $lesson = Lesson::factory()->create();
        $files = fn (): array => array_map(fn ($file): string => $file->getRelativePathname(), File::allFiles($this->mediaRoot));
        $before = $files();
        for ($i = 0; $i < 3; $i++) {
            $this->get("/api/sample-card?title=Card{$i}")
                ->assertOk()
                ->assertHeader('Content-Type', 'image/png');
        }
        foreach (Route::getRoutes()->getRoutes() as $route) {
            if (in_array('GET', $route->methods(), true) && str_starts_with($route->uri(), 'api/lessons')) {
                $answer = $this->getJson('/'.str_replace('{lesson}', $lesson->id, $route->uri()));
                // What is made for whoever asks is gone when they have it.
                $answer->baseResponse instanceof BinaryFileResponse && $answer->streamedContent();
            }
        }
        self::assertSame($before, $files());
    }

    public function test_a_drawing_that_takes_for_ever_is_given_up_in_seconds(): void
    {
        $filter = str_repeat('<feTurbulence baseFrequency="0.9" numOctaves="200"/><feGaussianBlur stdDeviation="90"/>', 60);
        $svg = '<svg xmlns="http://www.w3.org/2000/svg" width="4000" height="3000"><filter id="f" x="0" y="0" '
            ."width=\"1\" height=\"1\">{$filter}</filter><rect width=\"4000\" height=\"3000\" filter=\"url(#f)\"/></svg>";
        $start = microtime(true);
        $answer = $this->slide(Lesson::factory()->create(), $svg, 'heavy.svg');

        self::assertStringContainsString('"heavy.svg" takes too long to draw', self::refusal($answer));
        self::assertLessThan(8, microtime(true) - $start);
        self::assertSame([], $this->draftsLeft());
    }

    #[TestWith(['<script>alert(1)</script>'])]
    #[TestWith(['<rect onload="alert(1)" width="9" height="9"/>'])]
    #[TestWith(['<image href="file:///etc/hostname" width="9" height="9"/>'])]
    #[TestWith(['<image xlink:href="http://example.org/x.png" width="9" height="9"/>'])]
    #[TestWith(['<style>@import "http://example.org/x.css";</style>'])]
    #[TestWith(['<rect style="fill:url(http://example.org/#x)" width="9" height="9"/>'])]
    public function test_a_drawing_that_refers_to_something_is_refused_in_any_encoding(string $inside): void
    {
        $svg = '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="90" '
            ."height=\"90\">{$inside}</svg>";
        $lesson = Lesson::factory()->create();
        $all = [$svg, "\xFF\xFE".mb_convert_encoding('<?xml version="1.0" '
            .'encoding="UTF-16"?>'.$svg, 'UTF-16LE', 'UTF-8')];
        foreach ($all as $drawing) {
            self::assertStringContainsString(
                'contains scripts or refers to other files',
                self::refusal($this->slide($lesson, $drawing, 'x.svg')),
            );
        }
        self::assertSame(0, Slide::query()->count());
    }

    public function test_a_long_section_is_read_aloud_in_the_background(): void
    {
        $section = $this->section();
        $this->patchJson("/api/sections/{$section->id}", [
            'script' => str_repeat('The tide comes in and the tide goes out again. ', 60),
        ])->assertOk();
        Queue::fake([ReadAloudJob::class]);
        $this->get("/api/sections/{$section->id}/stand-in-voice")->assertStatus(202);
        Queue::assertPushed(ReadAloudJob::class, 1);

        app()->call([new ReadAloudJob($section->id), 'handle']);
        $this->get("/api/sections/{$section->id}/stand-in-voice")
            ->assertOk()
            ->assertHeader('Content-Type', 'audio/wav');
    }

    /**
     * @param  array{int, int}  $size
     * @param  array{int, int, int}  $topRight
     */
    #[TestWith([1, [40, 20], [255, 0, 0]])]
    #[TestWith([3, [40, 20], [0, 0, 255]])]
    #[TestWith([6, [20, 40], [0, 0, 255]], 'held upright, turned to the right')]
    #[TestWith([8, [20, 40], [255, 0, 0]])]
    #[TestWith([2, [40, 20], [0, 0, 255]], 'mirrored')]
    public function test_a_photograph_taken_with_the_camera_turned_stands_upright(
        int $orientation,
        array $size,
        array $topRight,
    ): void {
        // Blue on the left, red on the right; what is at the top right once it is upright tells.
        $picture = imagecreatetruecolor(40, 20);
        imagefilledrectangle($picture, 0, 0, 19, 19, (int) imagecolorallocate($picture, 0, 0, 255));
        imagefilledrectangle($picture, 20, 0, 39, 19, (int) imagecolorallocate($picture, 255, 0, 0));
        ob_start();
        imagejpeg($picture, null, 95);
        $jpeg = (string) ob_get_clean();
        $exif = "Exif\0\0MM\0*\0\0\0\x08\0\x01\x01\x12\0\x03\0\0\0\x01\0".chr($orientation)."\0\0\0\0\0\0";
        $turned = substr($jpeg, 0, 2)."\xFF\xE1".pack('n', strlen($exif) + 2).$exif.substr($jpeg, 2);
        $this->slide(Lesson::factory()->create(), $turned, 'photo.jpg')
            ->assertCreated()
            ->assertJsonPath('added', 1);

        $slide = Slide::query()->sole();
        self::assertSame($size, [$slide->width, $slide->height]);
        $kept = imagecreatefromstring((string) file_get_contents($this->media()->path((string) $slide->path)));
        self::assertNotFalse($kept);
        $found = imagecolorsforindex($kept, (int) imagecolorat($kept, $size[0] - 3, 2));
        foreach (['red', 'green', 'blue'] as $i => $part) {
            self::assertEqualsWithDelta($topRight[$i], $found[$part], 40);
        }
    }

    public function test_a_photograph_cut_off_is_refused(): void
    {
        $jpeg = (string) file_get_contents(Clips::slide('640x360', 'jpg'));
        $lesson = Lesson::factory()->create();

        self::assertSame(
            '"photo.jpg" is damaged: it could not be drawn to its end.',
            $this->slide($lesson, substr($jpeg, 0, (int) (strlen($jpeg) * 0.6)), 'photo.jpg')->json('refused.0'),
        );
        $this->slide($lesson, $jpeg, 'photo.jpg')->assertJsonPath('added', 1);
    }

    public function test_characters_that_no_text_needs_reach_neither_cards_nor_chapters(): void
    {
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180]);
        $text =
            "# Tides \\\n\n## Low\x0B \x00water\x1F \\\n\n[card: opening, 1 s]\n\nAsk\x02 Wenna.\n\n## =;#\\=\n\n[card: "
                ."closing, 1 s]\n";
        $this->putJson("/api/lessons/{$lesson->id}/script", ['text' => $text, 'revision' => $lesson->revision])->assertOk();
        $this->getJson("/api/lessons/{$lesson->id}/script")->assertOk();
        $this->postJson("/api/lessons/{$lesson->id}/exports")
            ->assertStatus(202)
            ->assertJson(['state' => 'done']);

        $film = $this->media()->path((string) Export::query()->sole()->path);
        $found = json_decode(
            Program::run(['ffprobe', '-v', 'error', '-show_chapters', '-show_format', '-of', 'json', $film])['output'],
            true,
        );
        self::assertSame(['Low water \\', '=;#\\='], array_column(array_column($found['chapters'], 'tags'), 'title'));
        self::assertSame('Tides \\', $found['format']['tags']['title']);
    }

    public function test_what_was_written_before_such_characters_were_taken_out_still_works(): void
    {
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180, 'title' => "Tides\x00[CHAPTER]\x1F"]);
        $lesson->update(['script' => "# Tides\n\n## Old\x0Bcard\x00[CHAPTER]\n\n[card: opening, 1 s]\n"]);
        $lesson
            ->sections()
            ->create(['position' => 1, 'heading' => "Old\x0Bcard\x00[CHAPTER]", 'script' => '[card: opening, 1 s]']);
        $this->getJson("/api/lessons/{$lesson->id}/script")->assertOk();
        $this->postJson("/api/lessons/{$lesson->id}/exports")
            ->assertStatus(202)
            ->assertJson(['state' => 'done']);
        self::assertContains(
            ['chapters', true],
            array_map(fn (array $f): array => [$f['name'], $f['ok']], Export::query()->sole()->findings),
        );
    }

    private function bring(string $recording): Take
    {
        $made = $this->postJson("/api/sections/{$this->section()->id}/takes", [
            'tracks' => [['kind' => 'camera', 'mime' => 'video/webm']],
        ])
            ->assertCreated()
            ->json();
        $this->sendChunk($made['tracks'][0]['id'], 0, $recording)->assertOk();
        $this->postJson("/api/takes/{$made['id']}/finish", ['as_arrived' => true])->assertOk();

        return Take::query()->findOrFail($made['id']);
    }

    private function slide(Lesson $lesson, string $content, string $name): TestResponse
    {
        file_put_contents($path = "{$this->mediaRoot}/../reel-upload-".getmypid(), $content);

        return $this->post(
            "/api/lessons/{$lesson->id}/slides",
            ['files' => [new UploadedFile($path, $name, null, null, true)]],
            ['Accept' => 'application/json'],
        );
    }

    private function readScript(string $file, string $name): TestResponse
    {
        return $this->post(
            '/api/read-script',
            ['file' => new UploadedFile($file, $name, null, null, true)],
            ['Accept' => 'application/json'],
        );
    }

    /** @param  array<string, string>  $parts */
    private function archive(array $parts): string
    {
        $path = sys_get_temp_dir().'/reel-archive-'.getmypid().'-'.bin2hex(random_bytes(3));
        $zip = new \ZipArchive();
        $zip->open($path, \ZipArchive::CREATE);
        foreach ($parts as $name => $content) {
            $zip->addFromString($name, $content);
        }
        $zip->close();
        $this->beforeApplicationDestroyed(fn () => @unlink($path));

        return $path;
    }

    private function part(string $archive, string $name): string
    {
        $zip = new \ZipArchive();
        $zip->open($archive);

        return (string) $zip->getFromName($name);
    }
}
