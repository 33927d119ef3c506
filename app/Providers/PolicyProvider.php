<?php

declare(strict_types=1);

namespace App\Providers;

use App\Models\ArchiveImport;
use App\Models\Device;
use App\Models\Notice;
use App\Models\PairedDevice;
use App\Models\Pairing;
use App\Models\User;
use App\Policies\OwnPolicy;
use App\Policies\PlacePolicy;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\ServiceProvider;

/** Every model has a policy: it is one person's, or it hangs on a lesson or course. */
final class PolicyProvider extends ServiceProvider
{
    private const OWN = [ArchiveImport::class, Device::class, Notice::class, PairedDevice::class, Pairing::class, User::class];

    public function boot(): void
    {
        Gate::guessPolicyNamesUsing(
            fn (string $model): string => in_array($model, self::OWN, true) ? OwnPolicy::class : PlacePolicy::class,
        );
    }
}
