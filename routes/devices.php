<?php

declare(strict_types=1);

use App\Http\Controllers\DevicePageController;
use Illuminate\Support\Facades\Route;

// Another device on the same network: nobody signs in here, it is let in by whoever records (App\People\PairedBrowser).
Route::get('device', [DevicePageController::class, 'show']);
Route::post('device', [DevicePageController::class, 'ask']);
Route::get('device/state', [DevicePageController::class, 'state']);
Route::get('device/events', [DevicePageController::class, 'events']);
Route::post('device/leave', [DevicePageController::class, 'leave']);
