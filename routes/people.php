<?php

declare(strict_types=1);

use App\Http\Controllers\PeopleController;
use App\Http\Middleware\KnowPeople;
use Illuminate\Support\Facades\Route;

Route::middleware(KnowPeople::class.':'.KnowPeople::ANYBODY)->group(function (): void {
    Route::get('sign-in', [PeopleController::class, 'show']);
    Route::post('sign-in', [PeopleController::class, 'signIn']);
    Route::post('sign-out', [PeopleController::class, 'signOut']);
});
Route::middleware(KnowPeople::class)->group(function (): void {
    Route::get('account', [PeopleController::class, 'account']);
    Route::post('account/password', [PeopleController::class, 'password']);
});
