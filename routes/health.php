<?php

declare(strict_types=1);

use App\Http\Controllers\HealthController;
use Illuminate\Support\Facades\Route;

// For programs that watch over this server: no sessions, and nothing of anybody's work.
Route::get('up', [HealthController::class, 'up']);
Route::get('metrics', [HealthController::class, 'metrics']);
