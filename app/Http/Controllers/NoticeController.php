<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ReadNoticeRequest;
use App\Models\Notice;
use App\People\CurrentUser;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;

/** What whoever asks is told that others did. */
final class NoticeController
{
    private const LATEST = 30;

    public function index(): JsonResponse
    {
        return $this->answer();
    }

    /** All up to one of them are seen. */
    public function read(ReadNoticeRequest $request): JsonResponse
    {
        self::mine()->where('id', '<=', $request->string('until')->value())->whereNull('read_at')->update(['read_at' => now()]);

        return $this->answer();
    }

    private function answer(): JsonResponse
    {
        /** @var Collection<int, Notice> $latest */
        $latest = self::mine()->orderByDesc('id')->limit(self::LATEST)->get();

        return new JsonResponse([
            'unread' => self::mine()->whereNull('read_at')->count(),
            'notices' => array_values($latest->map(fn (Notice $n): array => [
                'id' => $n->id,
                'says' => $n->says,
                'path' => $n->path,
                'at' => $n->created_at->toIso8601ZuluString(),
                'read' => $n->read_at !== null,
            ])->all()),
        ]);
    }

    /** @return Builder<Notice> */
    private static function mine(): Builder
    {
        return Notice::query()->where('user_id', CurrentUser::asks()->id ?? '');
    }
}
