<?php

declare(strict_types=1);

namespace App\Providers;

use App\Actions\People\AssignOwner;
use App\Actions\Takes\SummariseTake;
use App\Database\SqliteConnector;
use App\Http\AnswerSchema;
use App\Media\Encoder;
use App\Media\FfmpegEncoder;
use App\Media\FfprobeProber;
use App\Media\FileLocks;
use App\Media\FliteVoice;
use App\Media\Heartbeat;
use App\Media\LibreOffice;
use App\Media\Locks;
use App\Media\MediaStore;
use App\Media\OfficeConverter;
use App\Media\PopplerSlideMaker;
use App\Media\Prober;
use App\Media\RedisLocks;
use App\Media\Shared\NoSharedDisk;
use App\Media\Shared\ObjectDisk;
use App\Media\Shared\SharedDisk;
use App\Media\SlideMaker;
use App\Media\Voice;
use App\Models\Course;
use App\Models\Lesson;
use App\Models\Take;
use App\People\KeyedHasher;
use App\Upkeep\Upkeep;
use App\Upkeep\UpkeepWithoutDatabase;
use App\Work\Pulse;
use App\Work\SameEncoder;
use Illuminate\Filesystem\FilesystemAdapter;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Queue\Events\JobProcessing;
use Illuminate\Queue\Events\Looping;
use Illuminate\Queue\Events\WorkerStarting;
use Illuminate\Support\Facades\Context;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Redis;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\ServiceProvider;
use Predis\Connection\ConnectionException;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        FormerNames::register();
        $this->app->bind('db.connector.sqlite', SqliteConnector::class);
        $this->app->singleton(SharedDisk::class, function (): SharedDisk {
            $disk = config('filesystems.disks.shared.driver') === '' ? null : Storage::disk('shared');

            return $disk instanceof FilesystemAdapter
                ? new ObjectDisk($disk->getDriver(), $disk->getAdapter())
                : new NoSharedDisk();
        });
        $this->app->singleton(AnswerSchema::class);
        $this->app->singleton(MediaStore::class);
        $this->app->singleton(Locks::class, fn (): Locks => config('reel.locks') === 'redis'
            ? new RedisLocks(Redis::connection(), $this->app->make(Heartbeat::class))
            : new FileLocks(storage_path('framework/locks')));
        $this->app->singleton(SameEncoder::class);
        $this->app->singleton(Upkeep::class);
        $this->app->singleton(UpkeepWithoutDatabase::class);
        $this->app->singleton(Pulse::class);
        $this->app->singleton(Encoder::class, fn (): Encoder => new FfmpegEncoder(config('reel.programs.ffmpeg')));
        $this->app->singleton(Prober::class, fn (): Prober => new FfprobeProber(config('reel.programs.ffprobe')));
        $this->app->singleton(SlideMaker::class, fn (): SlideMaker => new PopplerSlideMaker(resource_path('fonts')));
        $this->app->singleton(OfficeConverter::class, fn (): OfficeConverter => new LibreOffice(config('reel.programs.office')));
        $this->app->singleton(Voice::class, fn (): Voice => new FliteVoice(config('reel.programs.voice')));
    }

    /**
     * What a worker does before it looks for work.
     *
     * @param  string|null  $queues  that it looks for
     * @return bool whether it may work
     */
    private function lookRound(?string $queues = null): bool
    {
        try {
            $mayWork = true;
            if (config('reel.has_database')) {
                $this->app->make(Upkeep::class)();
            } else {
                $mayWork = $this->app->make(UpkeepWithoutDatabase::class)();
            }
            $queues === null || $this->app->make(Pulse::class)->looking($queues);

            return $mayWork;
        } catch (ConnectionException $e) {
            Log::error('Redis cannot be reached; this worker waits for it', ['detail' => $e->getMessage()]);

            return false;
        } catch (\Throwable $fault) {
            // What is not put in order now need not keep anybody from their work; but who cannot tell whether the encoder is the
            // right one waits.
            report($fault);

            return (bool) config('reel.has_database');
        }
    }

    public function boot(): void
    {
        JsonResource::withoutWrapping();
        Hash::extend('keyed', fn (): KeyedHasher => new KeyedHasher(
            config('hashing.argon'), [(string) config('app.key'), ...array_values(config('app.previous_keys'))],
        ));
        Lesson::created(fn (Lesson $made) => $this->app->make(AssignOwner::class)($made));
        Course::created(fn (Course $made) => $this->app->make(AssignOwner::class)($made));
        Take::saved(function (Take $take): void {
            if ($take->wasRecentlyCreated || $take->wasChanged(SummariseTake::EDITS)) {
                $this->app->make(SummariseTake::class)($take);
            }
        });
        Event::listen(WorkerStarting::class, fn () => $this->lookRound());
        Event::listen(Looping::class, function (Looping $event): ?bool {
            // A worker waits when it is told false.
            return $this->lookRound($event->queue) ? null : false;
        });
        Event::listen(JobProcessing::class, function (JobProcessing $event): void {
            $this->app->make(Pulse::class)->working();
            // What is logged meanwhile names the job, beside the request that asked for it.
            Context::add('job', $event->job->uuid());
        });
    }
}
