<?php

declare(strict_types=1);

namespace App\Providers;

use App\Jobs;
use App\MediaJobs;

/**
 * Jobs under the names they had in the version before: whoever upgrades may have some on the queues.
 *
 * A queue holds serialised objects, so a job whose class has gone would be lost work. Can go with the version after next.
 */
final class FormerNames
{
    private const NAMES = [
        'App\Jobs\HearTakesJob' => Jobs\AlignTakesJob::class,
        'App\Jobs\MakeMediaBesideJob' => Jobs\MakeSidecarMediaJob::class,
        'App\Jobs\HearSoundJob' => MediaJobs\AlignSoundJob::class,
        'App\Jobs\LookAtCameraJob' => MediaJobs\AnalyseCameraJob::class,
        'App\Jobs\CleanVoiceJob' => MediaJobs\CleanVoiceJob::class,
        'App\Jobs\DrawPageJob' => MediaJobs\DrawPageJob::class,
        'App\Jobs\FetchPieceJob' => MediaJobs\FetchPieceJob::class,
        'App\Jobs\RenderPieceJob' => MediaJobs\RenderPieceJob::class,
        'App\Jobs\RenderSoundJob' => MediaJobs\RenderSoundJob::class,
        'App\Jobs\SendUnsentJob' => MediaJobs\FlushUploadsJob::class,
    ];

    public static function register(): void
    {
        spl_autoload_register(static function (string $class): void {
            $now = self::NAMES[$class] ?? null;
            $now === null || class_alias($now, $class);
        });
    }
}
