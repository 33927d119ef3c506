<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\People\AnswerPairing;
use App\Actions\People\ShowPairingCode;
use App\Http\Requests\RoomRequest;
use App\Models\Lesson;
use App\Models\PairedDevice;
use App\Models\Pairing;
use App\People\CurrentUser;
use App\People\FollowedRoom;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;

/** Devices that follow the recording room of whoever asks: letting them in, and out again. */
final class PairedDeviceController
{
    public function index(): JsonResponse
    {
        return new JsonResponse(self::told());
    }

    public function code(ShowPairingCode $show): JsonResponse
    {
        $code = $show();

        return new JsonResponse(['code' => $code] + self::told());
    }

    public function accept(Pairing $pairing, AnswerPairing $answer): JsonResponse
    {
        $answer->accept($pairing);

        return $this->index();
    }

    public function refuse(Pairing $pairing, AnswerPairing $answer): JsonResponse
    {
        $answer->refuse($pairing);

        return $this->index();
    }

    public function destroy(PairedDevice $pairedDevice): JsonResponse
    {
        $pairedDevice->delete();

        return $this->index();
    }

    /** What the room shows now. */
    public function show(RoomRequest $request, Lesson $lesson): Response
    {
        FollowedRoom::show(CurrentUser::asks()?->id, ['lesson' => $lesson->title] + $request->shown());

        return response()->noContent();
    }

    public function close(Lesson $lesson): Response
    {
        FollowedRoom::close(CurrentUser::asks()?->id);

        return response()->noContent();
    }

    /** @return array<string, mixed> */
    private static function told(): array
    {
        $person = CurrentUser::asks()?->id;
        /** @var Pairing|null $pairing */
        $pairing = Pairing::query()->where('user_id', $person)->orderByDesc('id')->first();
        $isOpen = $pairing?->isOpen() ?? false;
        /** @var Collection<int, PairedDevice> $devices */
        $devices = PairedDevice::query()->where('user_id', $person)->orderBy('paired_at')->orderBy('id')->get();

        return [
            'address' => config('reel.lan') ?: null,
            'trust' => config('reel.lan_trust') ?: null,
            'shown' => ! $isOpen ? null : ['id' => $pairing->id, 'seconds' => $pairing->code()->secondsLeft(now()->getTimestamp())],
            'asks' => $pairing?->isAsked() !== true
                ? null
                : ['id' => $pairing->id, 'name' => (string) $pairing->name, 'network' => (string) $pairing->network],
            'devices' => array_values($devices->map(fn (PairedDevice $one): array => [
                'id' => $one->id, 'name' => $one->name, 'network' => $one->network,
                'paired_at' => $one->paired_at->toIso8601ZuluString(), 'used_at' => $one->used_at->toIso8601ZuluString(),
            ])->all()),
        ];
    }
}
