<?php

declare(strict_types=1);

namespace App\Upkeep;

use App\Actions\People\MailNotices;
use App\Actions\Storage\ClearTakes;
use App\Actions\Takes\IngestTake;
use App\Jobs\AlignTakesJob;
use App\Jobs\ClearRecordingsJob;
use App\Media\InfrastructureFailure;
use App\Media\MediaStore;
use App\Media\Prober;
use App\Media\RenderCache;
use App\Media\Shared\LocalCopies;
use App\Media\Shared\SharedDiskAway;
use App\Media\WorkLock;
use App\MediaJobs\FlushUploadsJob;
use App\Models\ArchiveImport;
use App\Models\Device;
use App\Models\Take;
use App\Models\TakeSummary;
use App\Models\Track;
use App\People\CurrentUser;
use App\Work\LostJobs;
use App\Work\SameEncoder;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\Queue;
use OpenReel\Core\Take\TakeState;

/** What keeps the house in order while workers have nothing to do: lost work is taken up, what is left over goes. */
final class Upkeep
{
    /** Work of a worker that died is looked for this often. */
    private const LOST_SECONDS = 2;

    private const SWEEP_SECONDS = 60;

    private const CLEAR_SECONDS = 3600;

    /** A take into which nothing came for so long was given up before it began. */
    private const EMPTY_HOURS = 2;

    /** An archive of which nothing came for so long is given up. */
    private const ARRIVAL_DAYS = 2;

    private float $looked = 0.0;

    /** Tracks looked at in one go. */
    private const AT_ONCE = 20;

    public function __construct(
        private readonly MediaStore $media,
        private readonly Prober $prober,
        private readonly Repository $cache,
        private readonly RenderCache $renders,
        private readonly LocalCopies $copies,
        private readonly ClearTakes $takes,
        private readonly MailNotices $mail,
        private readonly SameEncoder $encoder,
    ) {
    }

    /** Called whenever a worker looks for work. */
    public function __invoke(): void
    {
        if (microtime(true) - $this->looked < self::LOST_SECONDS) {
            return;
        }
        $this->looked = microtime(true);
        $lock = WorkLock::tryFor('upkeep');
        if ($lock === null) {
            return;
        }
        try {
            LostJobs::release();
            ForgottenWork::release();
            if ($this->media->unsentFiles() > 0) {
                FlushUploadsJob::dispatch();
            }
            if ($this->cache->add('upkeep/sweep', true, self::SWEEP_SECONDS)) {
                config('queue.default') === 'redis' && $this->encoder->say();
                $this->sweep();
                CurrentUser::signsIn() && ($this->mail)();
            }
            if ($this->cache->add('upkeep/clear', true, self::CLEAR_SECONDS)) {
                ClearRecordingsJob::dispatch();
                $this->forget();
                $this->renders->sweep((int) config('reel.cache_bytes'));
                $this->copies->sweep((int) config('reel.local_bytes'));
            }
        } catch (SharedDiskAway) {
            // There is nothing that cannot wait an hour.
        } finally {
            $lock->release();
        }
    }

    public function sweep(): void
    {
        $this->media->sweepDrafts();
        $this->noteColours();
        $this->hearTheRest();
        Take::query()
            ->where('state', TakeState::Recording)
            ->where('created_at', '<', now()->subHours(self::EMPTY_HOURS))
            ->whereDoesntHave('tracks', fn ($tracks) => $tracks->where('bytes', '>', 0))
            ->delete();
    }

    /** What was cleared long ago, devices on which nobody is signed in any more, archives that were never sent to their end. */
    private function forget(): void
    {
        $this->takes->forget();
        Device::query()->whereNotIn('id', Device::living()->select('id'))->delete();
        ArchiveImport::query()
            ->where('whole', false)
            ->where('updated_at', '<', now()->subDays(self::ARRIVAL_DAYS))
            ->get()
            ->each(function (ArchiveImport $arrival): void {
                $this->media->delete($arrival->path);
                $arrival->delete();
            });
    }

    /** Takes that were recorded before they were listened to so closely, or whose turn was lost. */
    private function hearTheRest(): void
    {
        if (! config('reel.hear') || Queue::size('hear') > 0) {
            return;
        }
        $waiting = Take::query()
            ->where('state', TakeState::Ready)
            ->whereHas('summary', TakeSummary::waiting(...))
            ->limit(self::AT_ONCE)
            ->count();
        for ($i = 0; $i < $waiting; $i++) {
            AlignTakesJob::dispatch();
        }
    }

    /** Takes that were read before anybody asked what their colours mean: their films still say it. */
    private function noteColours(): void
    {
        /** @var list<Track> $tracks */
        $tracks = Track::query()
            ->whereNotNull('width')
            ->whereNotNull('file_path')
            ->whereNull('colour_range')
            ->limit(self::AT_ONCE)
            ->get()
            ->all();
        foreach ($tracks as $track) {
            try {
                $facts = $this->prober->recording($this->media->path((string) $track->file_path));
            } catch (SharedDiskAway) {
                continue;
            } catch (InfrastructureFailure) {
                $facts = null;
            }
            $track->update([
                'colour_range' => $facts->range ?? IngestTake::UNSAID,
                'colour_matrix' => $facts->matrix ?? IngestTake::UNSAID,
            ]);
        }
    }
}
