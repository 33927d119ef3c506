<?php

declare(strict_types=1);

use App\Http\Controllers\ShellController;
use App\Http\Middleware\Authenticate;
use Illuminate\Support\Facades\Route;

// Every page is the same shell; the interface's own router shows the right room.
Route::get('/{page?}', ShellController::class)
    ->where('page', '^(?!(api|watch|oembed|up|metrics|sign-in|sign-out|account|device|invited|forgotten)(/|$)).*$')
    ->middleware(Authenticate::class);
