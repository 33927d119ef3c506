<?php

declare(strict_types=1);

namespace App\Actions\Site;

use App\Actions\People\Notify;
use App\Actions\People\WriteHistory;
use App\Media\MediaStore;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Publication;
use App\Models\Version;
use App\Models\WorkState;
use App\OperationRejected;
use App\People\CurrentUser;
use App\Queries\Film\SidecarFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use OpenReel\Core\People\AuditAction;

/** Puts a finished film on the course site: the first behind a new link, every other as the next version behind the same one. */
final class PublishFilm
{
    public function __construct(
        private readonly MediaStore $media,
        private readonly WriteHistory $write,
        private readonly Notify $notify,
        private readonly RequireApproval $approved,
    ) {
    }

    /**
     * @param  string  $note  what is new in it
     * @param  bool  $forReview  it is a draft, behind a link of its own
     * @param  bool  $show  a page that was withdrawn is shown again with it; else it stays as it is
     *
     * @throws OperationRejected
     */
    public function __invoke(
        Lesson $lesson,
        Export $export,
        string $note = '',
        bool $forReview = false,
        bool $show = false,
    ): Version {
        if ($export->lesson_id !== $lesson->id || $export->state !== WorkState::Done) {
            throw OperationRejected::conflict('Only a finished film of this lesson can be published.');
        }
        if ($export->edition()->section !== null) {
            throw OperationRejected::conflict('This film is of one section only. Publish a film of the whole lesson.');
        }
        if (! $this->media->exists(SidecarFile::path($export, SidecarFile::LINES))) {
            throw OperationRejected::conflict('This film was made by an earlier Open Reel. Export the lesson again to publish it.');
        }

        $forReview || ($this->approved)($lesson, $export);

        return DB::transaction(function () use ($lesson, $export, $note, $forReview, $show): Version {
            /** @var Publication $publication */
            $publication = Publication::query()->firstOrCreate(
                ['lesson_id' => $lesson->id, 'for_review' => $forReview], ['token' => Str::random(24)],
            );
            if ($show && $publication->withdrawn_at !== null) {
                $publication->update(['withdrawn_at' => null]);
                ($this->write)(AuditAction::ShownAgain, $lesson);
            }
            /** @var Version|null $latest */
            $latest = $publication->versions()->first();
            if ($latest?->export_id === $export->id) {
                return $latest;
            }
            /** @var Version $version */
            $version = $publication->versions()->create([
                'export_id' => $export->id, 'number' => ($latest->number ?? 0) + 1, 'note' => $note,
                'user_id' => CurrentUser::asks()?->id,
            ]);
            $publication->comments()->whereNotNull('done_at')->whereNull('done_in')->update(['done_in' => $version->number]);

            ($this->write)($forReview ? AuditAction::SentForReview : AuditAction::Published, $lesson, ['version' => $version->number]);
            $this->notify->members(
                $lesson,
                $forReview ? "A draft of {$lesson->title} is there to be looked at" : "{$lesson->title} is published",
                'people',
            );

            return $version;
        });
    }
}
