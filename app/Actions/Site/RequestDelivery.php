<?php

declare(strict_types=1);

namespace App\Actions\Site;

use App\Events\DeliveryRequested;
use App\Media\SiteFolder;
use App\Models\Delivery;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\WorkState;
use App\OperationRejected;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Kernel\FolderName;

/** Puts a finished film on its way into the course site's folder: the first into one of its own, others as the next version. */
final class RequestDelivery
{
    public function __construct(private readonly SiteFolder $site, private readonly RequireApproval $approved)
    {
    }

    /** @throws OperationRejected */
    public function __invoke(Lesson $lesson, Export $export): Delivery
    {
        if ($this->site->name() === null) {
            throw OperationRejected::notYet('No folder of a course site is set up here. Ask whoever looks after this server.');
        }
        if ($export->state !== WorkState::Done) {
            throw OperationRejected::conflict('Only a finished film of this lesson can be sent.');
        }
        if ($export->edition()->section !== null) {
            throw OperationRejected::conflict('This film is of one section only. Send a film of the whole lesson.');
        }
        ($this->approved)($lesson, $export);

        return DB::transaction(function () use ($lesson, $export): Delivery {
            $deliveries = Delivery::query()->where('lesson_id', $lesson->id);
            /** @var Delivery|null $open */
            $open = (clone $deliveries)->whereIn('state', WorkState::OPEN)->first();
            if ($open !== null && $open->export_id !== $export->id) {
                throw OperationRejected::conflict('Another film of this lesson is on its way there. Wait until it is there, or cancel it.');
            }
            /** @var Delivery|null $before */
            $before = (clone $deliveries)->orderByDesc('number')->orderByDesc('id')->first();
            $isThere = $before?->export_id === $export->id && $before->state === WorkState::Done;
            if ($open !== null || $isThere) {
                return $open ?? $before;
            }
            $delivery = Delivery::query()->create([
                'lesson_id' => $lesson->id,
                'export_id' => $export->id,
                'folder' => $before->folder ?? self::folder($lesson),
                'number' => 1 + (int) (clone $deliveries)->where('state', WorkState::Done)->max('number'),
                'state' => WorkState::Waiting,
            ]);
            DeliveryRequested::dispatch($delivery->id);

            return $delivery;
        });
    }

    /** The course's and the lesson's own, which no other lesson has. */
    private static function folder(Lesson $lesson): string
    {
        $course = $lesson->course === null ? '' : FolderName::of($lesson->course->name, 'course').'/';
        $wanted = $course.FolderName::of($lesson->title, 'lesson');
        $folder = $wanted;
        for ($n = 2; Delivery::query()->where('folder', $folder)->exists(); $n++) {
            $folder = "{$wanted}-{$n}";
        }

        return $folder;
    }
}
