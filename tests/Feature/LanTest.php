<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\OperationRejected;
use App\Web\Authority;
use App\Web\Lan;
use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use Illuminate\Support\Facades\File;
use PHPUnit\Framework\Attributes\TestWith;
use Psr\Http\Message\StreamInterface;
use Symfony\Component\Process\Process;

/** Other devices on the same network: HTTPS that they trust, being let in, and following the room. */
final class LanTest extends FeatureTestCase
{
    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/reel-authority-'.bin2hex(random_bytes(4));
    }

    protected function tearDown(): void
    {
        File::deleteDirectory($this->folder);
        parent::tearDown();
    }

    public function test_the_authority_is_made_once_and_the_certificate_when_it_has_to_be(): void
    {
        $authority = new Authority($this->folder);
        $this->assertNull($authority->endsAt());
        $this->assertTrue($authority->issue(['192.168.7.2', 'fd00::2'], 'studio.local'));
        $first = (string) file_get_contents($authority->certificate());
        $this->assertTrue($this->trusts($authority, $authority->server()->chain));
        $this->assertEqualsWithDelta(time() + 90 * 86_400, $authority->endsAt(), 60);
        foreach (['authority.key', 'server.key'] as $key) {
            $this->assertSame(0o600, fileperms("{$this->folder}/{$key}") & 0o777, $key);
        }
        $this->assertSame(0o700, fileperms($this->folder) & 0o777);

        $this->assertFalse($authority->issue(['192.168.7.2', 'fd00::2'], 'studio.local'));
        // Another address of such a network: the same authority still vouches for it.
        $this->assertTrue($authority->issue(['192.168.9.9'], 'studio.local'));
        $this->assertSame($first, file_get_contents($authority->certificate()));
        $this->assertTrue($this->trusts($authority, $authority->server()->chain));
        // One that it may not vouch for: devices have to be told of another authority.
        $this->assertTrue($authority->issue(['198.51.100.7'], 'studio.example'));
        $this->assertNotSame($first, file_get_contents($authority->certificate()));
        $this->assertTrue($this->trusts($authority, $authority->server()->chain));
        $this->assertMatchesRegularExpression('/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/D', $authority->fingerprint());

        // One that ends soon is made anew.
        $this->openssl(
            'req', '-x509', '-new', '-days', '29', '-key', $authority->server()->key, '-subj', '/CN=Old',
            '-out', $authority->server()->chain,
        );
        $this->assertTrue($authority->issue(['198.51.100.7'], 'studio.example'));
        $this->assertTrue($this->trusts($authority, $authority->server()->chain));
    }

    public function test_with_its_key_nobody_can_pretend_to_be_another_site(): void
    {
        $authority = new Authority($this->folder);
        $authority->issue(['192.168.7.2'], 'studio.local');
        $vouched = ['DNS:bank.example' => false, 'IP:203.0.113.5' => false, 'IP:192.168.200.1' => true, 'DNS:other.local' => true];
        foreach ($vouched as $for => $is) {
            file_put_contents("{$this->folder}/forged.cnf", "[extensions]\nsubjectAltName = {$for}\n");
            $this->openssl(
                'req', '-new', '-key', "{$this->folder}/server.key", '-subj', '/CN=Forged', '-out', "{$this->folder}/forged.csr",
            );
            $this->openssl(
                'x509', '-req', '-in', "{$this->folder}/forged.csr", '-CA', $authority->certificate(), '-CAkey',
                "{$this->folder}/authority.key", '-CAcreateserial', '-extfile', "{$this->folder}/forged.cnf", '-extensions', 'extensions',
                '-out', "{$this->folder}/forged.pem",
            );
            $this->assertSame($is, $this->trusts($authority, "{$this->folder}/forged.pem"), $for);
        }
    }

    #[TestWith(['studio local'])]
    #[TestWith(["studio\nlocal"])]
    #[TestWith(['-studio'])]
    #[TestWith(['studio.local,DNS:bank.example'])]
    #[TestWith([''])]
    public function test_what_is_no_name_is_refused(string $name): void
    {
        $this->expectException(OperationRejected::class);
        (new Authority($this->folder))->issue(['192.168.7.2'], $name);
    }

    public function test_a_device_is_let_in_over_https_and_follows_the_room_as_it_moves(): void
    {
        $port = FreePort::any();
        $lan = $this->lan($port);
        $served = Served::begin('--web-only', '--lan', '--lan-port', (string) $port);
        try {
            $phone = new Client([
                'base_uri' => $lan->address(), 'http_errors' => false, 'timeout' => 20, 'cookies' => new CookieJar(),
                'verify' => "{$served->processes->folder}/authority/authority.pem", 'headers' => ['Sec-Fetch-Site' => 'same-origin'],
            ]);
            $this->assertStringContainsString("Other devices on this network:    {$lan->address()}/device", $served->serve->getOutput());
            $this->assertSame(421, $phone->get('/api/lessons')->getStatusCode());
            $code = $served->json('POST', '/api/paired-devices/code')['code'];
            $this->assertSame($lan->address(), $served->json('GET', '/api/paired-devices')['address']);
            $asked = $phone->post('/device', ['form_params' => ['code' => $code, 'name' => 'Phone']]);
            $this->assertStringContainsString('Waiting to be let in', (string) $asked->getBody());
            $asks = $served->json('GET', '/api/paired-devices')['asks'];
            $this->assertSame('Phone', $asks['name']);
            $let = $served->json('POST', "/api/pairings/{$asks['id']}/accept");
            $this->assertStringContainsString('data-device="paired"', (string) $phone->get('/device')->getBody());
            $this->assertSame(421, $phone->get('/api/lessons')->getStatusCode());

            $events = $phone->get('/device/events', ['stream' => true])->getBody();
            $this->assertSame(['room' => null], $this->row($events));
            $lesson = $served->json('POST', '/api/lessons', ['title' => 'Tides', 'width' => 1280, 'height' => 720, 'fps' => 25]);
            foreach (['The creek is full at seven.', 'At one it is a ribbon.'] as $line => $words) {
                $served->json('PUT', "/api/lessons/{$lesson['id']}/room", [
                    'section' => '1. High water', 'state' => 'rolling', 'line' => $line, 'lines' => 2, 'now' => $words, 'next' => '',
                    'elapsed_ms' => 0, 'count_left' => 0,
                ]);
                $room = $this->row($events)['room'];
                $this->assertSame(['Tides', $line, $words], [$room['lesson'], $room['line'], $room['now']]);
            }
            // The server begins anew: the device is let in as before, and hears of the room where it is now.
            $served->restart();
            $events = $phone->get('/device/events', ['stream' => true])->getBody();
            $room['now'] = 'At noon it is full.';
            $served->json('PUT', "/api/lessons/{$lesson['id']}/room", ['section' => '1. High water', ...$room]);
            // It may have been told what came before, or that nothing has come for a while.
            for ($row = []; ($row['room']['now'] ?? null) !== $room['now'];) {
                $row = $this->row($events);
            }
            $served->json('DELETE', "/api/paired-devices/{$let['devices'][0]['id']}");
            $this->assertSame(['ended' => true], $this->row($events));
            $this->assertSame(403, $phone->get('/device/events')->getStatusCode());

            // Before it trusts: what it needs to, and nothing else.
            $plain = new Client(['base_uri' => $lan->plainAddress(), 'http_errors' => false, 'timeout' => 20]);
            $page = (string) $plain->get('/')->getBody();
            $authority = new Authority("{$served->processes->folder}/authority");
            $this->assertStringContainsString($authority->fingerprint(), $page);
            $this->assertSame(
                (string) file_get_contents($authority->certificate()), (string) $plain->get('/trust/open-reel.crt')->getBody(),
            );
            $this->assertSame(404, $plain->get('/device')->getStatusCode());
            $this->assertSame(404, $plain->get('/api/lessons')->getStatusCode());
        } finally {
            $served->end();
        }
    }

    public function test_a_server_that_runs_goes_on_with_a_certificate_that_was_made_anew(): void
    {
        $port = FreePort::any();
        $lan = $this->lan($port);
        // Processes inherit what is in both.
        $_SERVER['REEL_LAN_RENEW_SECONDS'] = '1';
        putenv('REEL_LAN_RENEW_SECONDS=1');
        $served = Served::begin('--web-only', '--lan', '--lan-port', (string) $port);
        try {
            $authority = new Authority("{$served->processes->folder}/authority");
            $shown = fn (): string => (new Process(
                ['openssl', 's_client', '-connect', substr($lan->address(), strlen('https://'))],
            ))->setInput('')->mustRun()->getOutput();
            $certificate = fn (): string => (string) preg_replace('/.*(-----BEGIN.*?END CERTIFICATE-----).*/s', '$1', $shown());
            $first = $certificate();
            // As it is a month before its end.
            $this->openssl(
                'req', '-x509', '-new', '-days', '29', '-key', $authority->server()->key, '-subj', '/CN=Old',
                '-out', $authority->server()->chain,
            );
            $this->waitUntil(fn (): bool => $certificate() !== $first, 30);
            file_put_contents($now = "{$this->folder}.pem", $certificate());
            $this->assertTrue($this->trusts($authority, $now));
            $this->assertEqualsWithDelta(time() + 90 * 86_400, $authority->endsAt(), 60);
        } finally {
            unset($_SERVER['REEL_LAN_RENEW_SECONDS']);
            putenv('REEL_LAN_RENEW_SECONDS');
            @unlink("{$this->folder}.pem");
            $served->end();
        }
    }

    public function test_without_it_nothing_but_this_machine_is_listened_to(): void
    {
        $outside = $this->lan(8443)->addresses[0];
        $served = Served::begin('--web-only');
        try {
            $host = str_contains($outside, ':') ? "[{$outside}]" : $outside;
            $this->assertFalse(@stream_socket_client("tcp://{$host}:{$served->port}", timeout: 2));
        } finally {
            $served->end();
        }
    }

    private function lan(int $port): Lan
    {
        try {
            return Lan::here(null, $port);
        } catch (OperationRejected) {
            $this->markTestSkipped('This machine is on no network.');
        }
    }

    /** @return array<string, mixed> the next row that says something */
    private function row(StreamInterface $events): array
    {
        $row = '';
        while (true) {
            $byte = $events->read(1);
            if ($byte === '' && $events->eof()) {
                $this->fail('The server says nothing more.');
            }
            if ($byte !== "\n") {
                $row .= $byte;
            } elseif ($row !== '') {
                return json_decode($row, true, flags: JSON_THROW_ON_ERROR);
            }
        }
    }

    private function trusts(Authority $authority, string $certificate): bool
    {
        return (new Process(['openssl', 'verify', '-CAfile', $authority->certificate(), $certificate]))->run() === 0;
    }

    private function openssl(string ...$arguments): void
    {
        (new Process(['openssl', ...$arguments]))->mustRun();
    }
}
