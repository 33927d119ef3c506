<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Lesson;
use App\Models\PairedDevice;
use App\Models\Pairing;
use App\People\FollowedRoom;
use Illuminate\Testing\TestResponse;

/** A device types the code that the room shows, somebody says yes, and from then on it may follow the room and nothing else. */
final class PairingTest extends PeopleTestCase
{
    private const PHONE = ['HTTP_USER_AGENT' => 'Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) Version/18.0 Mobile Safari/604.1'];

    /**
     * Another device on the network of the studio, with the cookie it has got.
     *
     * @param  array<string, mixed>  $data
     */
    private function phone(string $method, string $path, array $data = [], ?string $token = null): TestResponse
    {
        return $this->call($method, $path, $data, $token === null ? [] : ['reel_paired' => $token], server: self::PHONE + [
            'REMOTE_ADDR' => '192.168.7.20', 'HTTP_HOST' => '192.168.7.2:8443', 'HTTP_SEC_FETCH_SITE' => 'same-origin',
        ]);
    }

    private function token(TestResponse $answer): string
    {
        return (string) $answer->getCookie('reel_paired', false)?->getValue();
    }

    protected function setUp(): void
    {
        parent::setUp();
        config(['reel.mode' => 'me', 'reel.lan' => 'https://192.168.7.2:8443']);
        config(['reel.hosts' => [...(array) config('reel.hosts'), 'localhost', '127.0.0.1', '192.168.7.2:8443']]);
    }

    public function test_it_is_let_in_by_code_and_yes_and_sees_the_room(): void
    {
        $this->phone('GET', '/device')->assertOk()->assertSee('Safari on an iPhone');
        $code = $this->postJson('/api/paired-devices/code')->assertOk()->json('code');
        $this->getJson('/api/paired-devices')->assertJsonPath('asks', null)->assertJsonPath('shown.seconds', 300);

        $asked = $this->phone('POST', '/device', ['code' => substr($code, 0, 3).' '.substr($code, 3), 'name' => 'Phone on the easel']);
        $asked->assertRedirect('/device');
        $cookie = $asked->getCookie('reel_paired', false);
        $this->assertTrue($cookie?->isHttpOnly());
        $this->assertSame('strict', $cookie->getSameSite());
        $token = $this->token($asked);
        $this->assertSame('asked', $this->phone('GET', '/device/state', token: $token)->json('state'));
        $this->phone('GET', '/device', token: $token)->assertSee('Waiting to be let in');
        $this->phone('GET', '/device/events', token: $token)->assertForbidden();

        $asks = $this->getJson('/api/paired-devices')->json('asks');
        $this->assertSame(['Phone on the easel', '192.168.7.20'], [$asks['name'], $asks['network']]);
        $this->postJson("/api/pairings/{$asks['id']}/accept")->assertOk()->assertJsonPath('devices.0.name', 'Phone on the easel');
        $this->assertSame('paired', $this->phone('GET', '/device/state', token: $token)->json('state'));
        $this->phone('GET', '/device/events', token: $token)->assertOk()->assertHeader('X-Accel-Buffering', 'no');

        $lesson = Lesson::factory()->create(['title' => 'How to read a tide table']);
        $shown = ['section' => '1. High water', 'state' => 'rolling', 'line' => 0, 'lines' => 2, 'now' => 'The creek is full at seven.',
            'next' => 'At one it is a ribbon.', 'elapsed_ms' => 1200, 'count_left' => 0];
        $this->putJson("/api/lessons/{$lesson->id}/room", $shown)->assertNoContent();
        $this->assertSame(['lesson' => 'How to read a tide table'] + $shown, FollowedRoom::of(null));
        $this->deleteJson("/api/lessons/{$lesson->id}/room")->assertNoContent();
        $this->assertNull(FollowedRoom::of(null));
    }

    public function test_a_code_is_used_once_and_another_ends_it(): void
    {
        $first = $this->postJson('/api/paired-devices/code')->json('code');
        $second = $this->postJson('/api/paired-devices/code')->json('code');
        if ($first !== $second) {
            $this->phone('POST', '/device', ['code' => $first])->assertStatus(422);
        }
        $this->phone('POST', '/device', ['code' => $second])->assertRedirect();
        $this->phone('POST', '/device', ['code' => $second])->assertStatus(422)->assertSee('not the code that is shown');
        $this->assertSame(1, Pairing::query()->count());
    }

    public function test_after_five_minutes_or_five_wrong_ones_it_is_over(): void
    {
        $code = $this->postJson('/api/paired-devices/code')->json('code');
        $this->travel(301)->seconds();
        $this->phone('POST', '/device', ['code' => $code])->assertStatus(422);
        $this->getJson('/api/paired-devices')->assertJsonPath('shown', null);
        $this->travelBack();
        cache()->flush();

        $code = $this->postJson('/api/paired-devices/code')->json('code');
        $wrong = $code === '000000' ? '111111' : '000000';
        for ($n = 0; $n < 5; $n++) {
            $this->phone('POST', '/device', ['code' => $wrong])->assertStatus(422)->assertSee('not the code');
        }
        // Whoever tried waits, and for others the code is over, too.
        $this->phone('POST', '/device', ['code' => $code])->assertStatus(422)->assertSee('Wait five minutes');
        cache()->flush();
        $this->phone('POST', '/device', ['code' => $code])->assertStatus(422)->assertSee('not the code');
        $this->assertSame(0, PairedDevice::query()->count());
    }

    public function test_whoever_is_refused_or_removed_is_out(): void
    {
        $code = $this->postJson('/api/paired-devices/code')->json('code');
        $token = $this->token($this->phone('POST', '/device', ['code' => $code]));
        $this->travel(301)->seconds();
        $this->assertSame('none', $this->phone('GET', '/device/state', token: $token)->json('state'));
        $this->postJson('/api/pairings/'.Pairing::query()->sole()->id.'/accept')->assertStatus(409);
        $this->travelBack();
        $this->assertSame('asked', $this->phone('GET', '/device/state', token: $token)->json('state'));
        $this->postJson('/api/pairings/'.Pairing::query()->sole()->id.'/refuse')->assertOk()->assertJsonPath('devices', []);
        $this->assertSame('none', $this->phone('GET', '/device/state', token: $token)->json('state'));
        $this->phone('GET', '/device?refused=1', token: $token)->assertSee('did not let this device in');

        $token = $this->paired();
        $device = PairedDevice::query()->sole();
        $this->deleteJson("/api/paired-devices/{$device->id}")->assertOk()->assertJsonPath('devices', []);
        $this->phone('GET', '/device/events', token: $token)->assertForbidden();

        $token = $this->paired();
        $this->phone('POST', '/device/leave', token: $token)->assertRedirect('/device');
        $this->assertSame(0, PairedDevice::query()->count());
    }

    public function test_just_me_lets_other_devices_no_further(): void
    {
        $token = $this->paired();
        $this->phone('GET', '/', token: $token)->assertRedirect('/device');
        foreach (['/api/lessons', '/api/me', '/api/paired-devices', '/metrics', '/lessons', '/up'] as $path) {
            $this->phone('GET', $path, token: $token)->assertStatus(421);
        }
        $this->phone('POST', '/api/paired-devices/code', token: $token)->assertStatus(421);
        // What a proxy passes on comes from who knows where.
        $this->call('GET', '/device', server: [
            'REMOTE_ADDR' => '127.0.0.1', 'HTTP_HOST' => 'localhost', 'HTTP_X_FORWARDED_FOR' => '1.2.3.4',
        ])->assertStatus(421);
        // Another site leads a device's browser here.
        $this->call('POST', '/device', ['code' => '123456'], server: [
            'REMOTE_ADDR' => '192.168.7.20', 'HTTP_HOST' => '192.168.7.2:8443', 'HTTP_SEC_FETCH_SITE' => 'cross-site',
        ])->assertForbidden();
        config(['reel.lan' => '']);
        $this->phone('GET', '/device', token: $token)->assertStatus(421);
    }

    public function test_where_people_sign_in_a_device_belongs_to_whoever_let_it_in(): void
    {
        config(['reel.mode' => 'people']);
        [$wenna, $pasco] = [$this->person('wenna'), $this->person('pasco')];
        $code = $this->as($wenna)->postJson('/api/paired-devices/code')->assertOk()->json('code');
        $token = $this->token($this->phone('POST', '/device', ['code' => $code, 'name' => 'Tablet']));
        $pairing = Pairing::query()->sole()->id;
        $this->as($pasco)->postJson("/api/pairings/{$pairing}/accept")->assertNotFound();
        $this->as($pasco)->getJson('/api/paired-devices')->assertJsonPath('asks', null);
        $this->as($wenna)->postJson("/api/pairings/{$pairing}/accept")->assertOk();
        $device = PairedDevice::query()->sole();
        $this->assertSame($wenna->id, $device->user_id);
        $this->as($pasco)->deleteJson("/api/paired-devices/{$device->id}")->assertNotFound();
        $this->as($pasco)->getJson('/api/paired-devices')->assertJsonPath('devices', []);
        FollowedRoom::show($pasco->id, ['now' => 'not for the tablet']);
        $this->assertNull(FollowedRoom::of($device->user_id));
        $wenna->delete();
        $this->assertSame('none', $this->phone('GET', '/device/state', token: $token)->json('state'));
    }

    public function test_what_is_no_room_or_no_code_is_refused_in_words(): void
    {
        $lesson = Lesson::factory()->create();
        foreach ([[], ['state' => 'flying'], ['line' => -1], ['now' => str_repeat('x', 5000)]] as $shown) {
            $this->putJson("/api/lessons/{$lesson->id}/room", $shown)->assertStatus(422);
        }
        foreach (['', 'abcdef', ['1'], str_repeat('9', 4000)] as $code) {
            $this->phone('POST', '/device', ['code' => $code, 'name' => ['x']])->assertStatus(422);
            cache()->flush();
        }
    }

    private function paired(): string
    {
        $code = $this->postJson('/api/paired-devices/code')->json('code');
        $token = $this->token($this->phone('POST', '/device', ['code' => $code]));
        $this->postJson('/api/pairings/'.Pairing::query()->sole()->id.'/accept')->assertOk();

        return $token;
    }
}
