<?php

declare(strict_types=1);

namespace App\Providers;

use App\Database\SqliteConnector;
use App\Media\Encoder;
use App\Media\FfmpegEncoder;
use App\Media\FfprobeProber;
use App\Media\FileLocks;
use App\Media\FliteVoice;
use App\Media\LibreOffice;
use App\Media\Locks;
use App\Media\MediaStore;
use App\Media\OfficeConverter;
use App\Media\PopplerSlideMaker;
use App\Media\Prober;
use App\Media\SlideMaker;
use App\Media\Voice;
use App\Work\Pulse;
use App\Work\Upkeep;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Queue\Events\JobProcessing;
use Illuminate\Queue\Events\Looping;
use Illuminate\Queue\Events\WorkerStarting;
use Illuminate\Support\Facades\Context;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->bind('db.connector.sqlite', SqliteConnector::class);
        $this->app->singleton(MediaStore::class);
        $this->app->singleton(Locks::class, fn (): Locks => new FileLocks(storage_path('framework/locks')));
        $this->app->singleton(Upkeep::class);
        $this->app->singleton(Pulse::class);
        $this->app->singleton(Encoder::class, fn (): Encoder => new FfmpegEncoder(config('reel.programs.ffmpeg')));
        $this->app->singleton(Prober::class, fn (): Prober => new FfprobeProber(config('reel.programs.ffprobe')));
        $this->app->singleton(SlideMaker::class, fn (): SlideMaker => new PopplerSlideMaker(resource_path('fonts')));
        $this->app->singleton(OfficeConverter::class, fn (): OfficeConverter => new LibreOffice(config('reel.programs.office')));
        $this->app->singleton(Voice::class, fn (): Voice => new FliteVoice(config('reel.programs.voice')));
    }

    public function boot(): void
    {
        JsonResource::withoutWrapping();
        Event::listen([WorkerStarting::class, Looping::class], fn () => $this->app->make(Upkeep::class)());
        Event::listen(Looping::class, fn (Looping $event) => $this->app->make(Pulse::class)->looking($event->queue));
        Event::listen(JobProcessing::class, function (JobProcessing $event): void {
            $this->app->make(Pulse::class)->working();
            // What is logged meanwhile names the job, beside the request that asked for it.
            Context::add('job', $event->job->uuid());
        });
    }
}
