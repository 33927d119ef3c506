<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Site\RequestDelivery;
use App\Http\Requests\StoreDeliveryRequest;
use App\Http\Resources\DeliveryResource;
use App\Models\Delivery;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\WorkState;
use Illuminate\Http\JsonResponse;

/** Films on their way into the folder of a course site of one's own. */
final class DeliveryController
{
    public function show(Lesson $lesson): JsonResponse
    {
        return new JsonResponse(DeliveryResource::of($lesson));
    }

    public function store(StoreDeliveryRequest $request, Lesson $lesson, RequestDelivery $send): JsonResponse
    {
        /** @var Export $export */
        $export = $lesson->exports()->findOrFail($request->string('export_id')->value());
        $send($lesson, $export);

        return new JsonResponse(DeliveryResource::of($lesson), 202);
    }

    public function cancel(Delivery $delivery): JsonResponse
    {
        $delivery->become(WorkState::Cancelled, WorkState::OPEN);

        return new JsonResponse(DeliveryResource::of(Lesson::query()->findOrFail($delivery->lesson_id)));
    }
}
