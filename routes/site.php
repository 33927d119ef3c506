<?php

declare(strict_types=1);

use App\Http\Controllers\WatchController;
use App\Http\Middleware\AuthenticateReviewer;
use Illuminate\Support\Facades\Route;

// The course site: no sessions, so that nobody is followed; but for drafts that only those see who take part.
Route::get('oembed', [WatchController::class, 'oembed']);
Route::get('watch/course/{token}', [WatchController::class, 'course'])->where('token', '[A-Za-z0-9]{24}');
Route::prefix('watch/{token}')->where(['token' => '[A-Za-z0-9]{24}'])->middleware(AuthenticateReviewer::class)->group(function (): void {
    Route::get('/', [WatchController::class, 'show']);
    Route::post('/', [WatchController::class, 'open']);
    Route::get('embed', [WatchController::class, 'embed']);
    Route::get('film', [WatchController::class, 'film']);
    Route::get('comments', [WatchController::class, 'comments']);
    Route::post('comments', [WatchController::class, 'comment']);
    Route::post('watched', [WatchController::class, 'watched']);
    Route::get('{kind}', [WatchController::class, 'file'])->whereIn('kind', WatchController::files());
});
