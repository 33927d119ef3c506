<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\Drafts;
use App\Web\BodyLimits;
use App\Web\DefaultHeaders;
use App\Web\Pool;
use GuzzleHttp\Psr7\Utils;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Psr\Http\Message\ResponseInterface;
use Symfony\Component\Process\Process;

/** The application as nginx and PHP-FPM serve it. */
final class WebServerTest extends FeatureTestCase
{
    private static ?Served $served = null;

    public static function tearDownAfterClass(): void
    {
        self::$served?->end();
        self::$served = null;
        parent::tearDownAfterClass();
    }

    private function served(): Served
    {
        return self::$served ??= Served::begin('--web-only');
    }

    /** @return array{string, string} ids of a lesson and of its slide, a picture of 40 KB or more */
    private function slide(): array
    {
        $served = $this->served();
        $lesson = $served->json('POST', '/api/lessons', ['title' => 'Served', 'width' => 1280, 'height' => 720, 'fps' => 25]);
        $answer = $served->client->post("/api/lessons/{$lesson['id']}/slides", ['multipart' => [
            ['name' => 'files[]', 'contents' => Utils::tryFopen(base_path('demo/lesson/slides/02.png'), 'r'), 'filename' => '02.png'],
        ]]);
        $this->assertLessThan(300, $answer->getStatusCode(), (string) $answer->getBody());
        $slides = $served->json('GET', "/api/lessons/{$lesson['id']}/slides");

        return [$lesson['id'], $slides[0]['id']];
    }

    public function test_files_are_sent_by_the_web_server_in_the_applications_name(): void
    {
        [, $slide] = $this->slide();
        $path = "/api/slides/{$slide}/picture";
        $whole = $this->served()->client->get($path);
        $bytes = (string) file_get_contents(base_path('demo/lesson/slides/02.png'));
        $this->assertSame($bytes, (string) $whole->getBody());
        $this->assertSame('image/png', $whole->getHeaderLine('Content-Type'));
        $this->assertSame('max-age=86400, private', $whole->getHeaderLine('Cache-Control'));
        $this->hasSecurityHeaders($whole, DefaultHeaders::OF_ANSWERS);

        $part = $this->served()->client->get($path, ['headers' => ['Range' => 'bytes=100-299']]);
        $this->assertSame(206, $part->getStatusCode());
        $this->assertSame(substr($bytes, 100, 200), (string) $part->getBody());
        $this->assertSame('bytes 100-299/'.strlen($bytes), $part->getHeaderLine('Content-Range'));
        $beyond = $this->served()->client->get($path, ['headers' => ['Range' => 'bytes=99999999-']]);
        $this->assertSame(416, $beyond->getStatusCode());
        $same = $this->served()->client->get($path, ['headers' => ['If-None-Match' => $whole->getHeaderLine('ETag')]]);
        $this->assertSame(304, $same->getStatusCode());
        $this->assertSame('', (string) $same->getBody());
    }

    public function test_what_is_made_for_a_download_is_whole_and_swept_away_later(): void
    {
        [$lesson] = $this->slide();
        $answer = $this->served()->client->get("/api/lessons/{$lesson}/archive.zip");
        $this->assertSame(200, $answer->getStatusCode());
        $this->assertStringStartsWith("PK\x03\x04", (string) $answer->getBody());
        $this->assertSame((string) strlen((string) $answer->getBody()), $answer->getHeaderLine('Content-Length'));
        $this->assertStringStartsWith('attachment; filename=', $answer->getHeaderLine('Content-Disposition'));
        $left = glob($this->served()->processes->folder.'/media/drafts/*.zip') ?: [];
        $this->assertCount(1, $left);
        array_map(fn (string $file): bool => touch($file, time() - 90), $left);
        (new Drafts($this->served()->processes->folder.'/media/drafts'))->sweep();
        $this->assertSame([], array_filter($left, is_file(...)));
    }

    public function test_nobody_asks_for_files_by_themselves(): void
    {
        [, $slide] = $this->slide();
        foreach (['/-/media/', '/-/shipped/music/index.json', '/../.env', '/.env', '/build/../../.env', '/build/manifest.jsonx'] as $path) {
            $this->assertStringNotContainsString('APP_KEY', (string) $this->served()->client->get($path)->getBody());
        }
        $this->assertSame(404, $this->served()->client->get('/-/shipped/music/index.json')->getStatusCode());
        // No client makes the application believe that something else sends its files.
        $told = $this->served()->client->get("/api/slides/{$slide}/picture", ['headers' => ['X-Sendfile-Type' => 'X-Sendfile']]);
        $this->assertSame('', $told->getHeaderLine('X-Sendfile').$told->getHeaderLine('X-Accel-Redirect'));
        foreach (['/%00', '/build/%0a', '/api/%0alessons'] as $path) {
            $this->assertSame(400, $this->served()->client->get($path)->getStatusCode(), $path);
        }
    }

    public function test_every_kind_of_answer_has_the_security_headers(): void
    {
        $built = array_values((array) json_decode((string) file_get_contents(public_path('build/manifest.json')), true))[0];
        $this->hasSecurityHeaders($this->served()->client->get("/build/{$built['file']}"), DefaultHeaders::OF_FILES);
        $this->hasSecurityHeaders($this->served()->client->get('/icon.svg'), DefaultHeaders::OF_FILES);
        foreach (['/api/lessons', '/api/nothing', '/up', '/sign-in', '/watch/AAAAAAAAAAAAAAAAAAAAAAAA'] as $path) {
            $answer = $this->served()->client->get($path);
            $this->hasSecurityHeaders($answer, DefaultHeaders::OF_FILES);
            $this->assertStringContainsString("'none'", $answer->getHeaderLine('Content-Security-Policy'), $path);
        }
        $this->assertSame(404, $this->served()->client->get('/build/assets/gone.js')->getStatusCode());
        $packed = $this->served()->client->get("/build/{$built['file']}", [
            'decode_content' => false, 'headers' => ['Accept-Encoding' => 'gzip'],
        ]);
        $this->assertSame('gzip', $packed->getHeaderLine('Content-Encoding'));
        $this->assertStringContainsString('immutable', $packed->getHeaderLine('Cache-Control'));
    }

    public function test_a_request_has_a_name_or_keeps_the_one_it_came_with(): void
    {
        $named = fn (string $as): string => $this->served()->client->get('/api/here', ['headers' => ['X-Request-Id' => $as]])
            ->getHeaderLine('X-Request-Id');
        $this->assertSame('from-a-proxy-01', $named('from-a-proxy-01'));
        $this->assertMatchesRegularExpression('/^[0-9a-f]{32}$/D', $named('<script>'));
    }

    public function test_more_than_an_address_takes_is_refused_in_words(): void
    {
        [$lesson] = $this->slide();
        $answer = $this->served()->client->put("/api/lessons/{$lesson}/here/window-1234", ['json' => ['at' => str_repeat('x', 70_000)]]);
        $this->assertSame(413, $answer->getStatusCode());
        $this->assertSame(BodyLimits::TOO_MUCH, json_decode((string) $answer->getBody(), true)['detail']);
        $this->hasSecurityHeaders($answer, DefaultHeaders::OF_FILES);
    }

    public function test_whoever_reads_or_sends_slowly_holds_nobody_up(): void
    {
        [$lesson, $slide] = $this->slide();
        $served = $this->served();
        $section = $served->json('GET', "/api/lessons/{$lesson}")['sections'][0]['id'];
        $film = "{$served->processes->folder}/media/".$this->pathOf($slide);
        file_put_contents($film, random_bytes(8_000_000));

        $slow = [];
        for ($n = 0; $n < 100; $n++) {
            $slow[] = $served->connection("GET /api/slides/{$slide}/picture HTTP/1.1\nHost: {host}\n\n");
        }
        for ($n = 0; $n < 30; $n++) {
            $slow[] = $served->connection(
                "PUT /api/lessons/{$lesson}/script HTTP/1.1\nHost: {host}\nX-Open-Reel: 1\nContent-Length: 9000\n\n{",
            );
            $slow[] = $served->connection("GET /api/lessons HTTP/1.1\nHost: {host}\n");
        }
        $take = $served->json('POST', "/api/sections/{$section}/takes", ['tracks' => [['kind' => 'camera', 'mime' => 'video/webm']]]);
        $chunk = random_bytes(600_000);
        foreach (range(0, 4) as $number) {
            $answer = $served->client->put("/api/tracks/{$take['tracks'][0]['id']}/chunks/{$number}", ['body' => $chunk, 'headers' => [
                'X-Chunk-SHA256' => hash('sha256', $chunk), 'Content-Type' => 'application/octet-stream',
            ]]);
            $this->assertSame(200, $answer->getStatusCode(), (string) $answer->getBody());
        }
        $this->assertSame(200, $served->client->get("/api/lessons/{$lesson}")->getStatusCode());
        $this->assertSame(206, $served->client->get(
            "/api/slides/{$slide}/picture", ['headers' => ['Range' => 'bytes=7000000-7000999']],
        )->getStatusCode());
        // None of them was let go meanwhile.
        $this->assertCount(160, array_filter($slow, fn (mixed $one): bool => is_resource($one) && ! feof($one)));
    }

    public function test_the_doctor_and_the_metrics_say_how_busy_it_is(): void
    {
        $served = $this->served();
        $doctor = $served->processes->artisan('reel:doctor', '--json');
        $doctor->run();
        $found = json_decode($doctor->getOutput(), true);
        $about = array_column($found, null, 'about')["web server 127.0.0.1:{$served->port}"];
        $this->assertSame('good', $about['verdict']);
        $this->assertStringContainsString('recording 0 of 8 busy', $about['says']);
        $metrics = (string) $served->client->get('/metrics')->getBody();
        $this->assertMatchesRegularExpression('/^reel_web_processes\{pool="people",state="busy"\} [1-9]/m', $metrics);
        $this->assertMatchesRegularExpression('/^reel_web_waiting\{pool="recording"\} 0$/m', $metrics);
    }

    /** @return iterable<string, array{string, string}> */
    public static function meant(): iterable
    {
        foreach (Pool::cases() as $pool) {
            foreach ($pool->requests() as [$method, $paths]) {
                foreach ($paths as $path) {
                    yield "{$pool->value}: {$method} {$path}" => [$method, $path];
                }
            }
        }
        foreach (array_keys(BodyLimits::MOST) as $path) {
            yield "body: {$path}" => ['*', $path];
        }
    }

    #[DataProvider('meant')]
    public function test_what_the_web_server_is_told_of_is_there(string $method, string $path): void
    {
        $found = array_filter(Route::getRoutes()->getRoutes(), fn ($route): bool => Str::is($path, $route->uri())
            && ($method === '*' || in_array($method, $route->methods(), true)));
        $this->assertNotSame([], $found);
    }

    public function test_what_a_server_of_its_own_needs_is_printed_and_nginx_and_fpm_take_it(): void
    {
        $folder = sys_get_temp_dir().'/reel-web-'.bin2hex(random_bytes(4));
        $run = fn (string ...$command): int => (new Process($command))->run();
        mkdir($folder);
        $run('openssl', 'req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-subj', '/CN=studio.example.org',
            '-keyout', "{$folder}/key.pem", '-out', "{$folder}/chain.pem");
        $this->artisan('reel:web-config', [
            '--name' => 'studio.example.org', '--certificate' => "{$folder}/chain.pem", '--key' => "{$folder}/key.pem", '--to' => $folder,
        ])->assertSuccessful();
        $this->assertSame(
            ['logrotate', 'nginx.conf', 'php-fpm.conf', 'reel-php.service', 'reel-web.service'],
            array_values(array_diff(scandir($folder) ?: [], ['.', '..', 'chain.pem', 'key.pem'])),
        );
        $text = (string) file_get_contents("{$folder}/nginx.conf");
        $this->assertStringContainsString('listen 443 ssl http2;', $text);
        $this->assertStringContainsString('server_name studio.example.org;', $text);
        // As it would be checked there, but for the folder that systemd makes.
        file_put_contents("{$folder}/nginx.conf", strtr($text, ['/run/open-reel' => $folder, '443 ssl' => FreePort::any().' ssl']));
        $this->assertSame(0, $run('/usr/sbin/nginx', '-t', '-q', '-e', 'stderr', '-c', "{$folder}/nginx.conf"));
        $pools = strtr((string) file_get_contents("{$folder}/php-fpm.conf"), ['/run/open-reel' => $folder]);
        file_put_contents("{$folder}/php-fpm.conf", str_replace('[recording]', "[recording]\nuser = nobody", $pools));
        $this->assertSame(0, $run('/usr/sbin/php-fpm8.2', '-R', '-t', '-y', "{$folder}/php-fpm.conf"));
        File::deleteDirectory($folder);
    }

    private function pathOf(string $slide): string
    {
        $database = new \PDO("sqlite:{$this->served()->processes->folder}/reel.sqlite");
        $row = $database->query("SELECT path FROM slides WHERE id = '{$slide}'");

        return (string) ($row === false ? '' : $row->fetchColumn());
    }

    /** @param  array<string, string>  $expected */
    private function hasSecurityHeaders(ResponseInterface $answer, array $expected): void
    {
        foreach ($expected as $name => $value) {
            $this->assertSame([$value], $answer->getHeader($name), $name);
        }
    }
}
