<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\ForgottenController;
use App\Http\Controllers\InvitationController;
use App\Http\Controllers\OpenIdController;
use App\Http\Controllers\SignInController;
use App\Http\Middleware\Authenticate;
use Illuminate\Support\Facades\Route;

Route::middleware(Authenticate::class.':'.Authenticate::ANYBODY)->group(function (): void {
    Route::get('sign-in', [SignInController::class, 'show']);
    Route::post('sign-in', [SignInController::class, 'signIn']);
    Route::get('sign-in/code', [SignInController::class, 'showCode']);
    Route::post('sign-in/code', [SignInController::class, 'code']);
    Route::get('sign-in/with', [OpenIdController::class, 'begin']);
    Route::get('sign-in/from', [OpenIdController::class, 'back']);
    Route::post('sign-out', [SignInController::class, 'signOut']);
    Route::get('forgotten', [ForgottenController::class, 'show']);
    Route::post('forgotten', [ForgottenController::class, 'send']);
    Route::get('forgotten/{token}', [ForgottenController::class, 'choose']);
    Route::post('forgotten/{token}', [ForgottenController::class, 'reset']);
    Route::get('invited/{token}', [InvitationController::class, 'show']);
    Route::post('invited/{token}', [InvitationController::class, 'accept']);
});
Route::middleware(Authenticate::class)->group(function (): void {
    Route::get('account', [AccountController::class, 'show']);
    Route::post('account/password', [AccountController::class, 'password']);
    Route::post('account/elsewhere', [AccountController::class, 'elsewhere']);
    Route::post('account/devices/{device}/end', [AccountController::class, 'endDevice']);
    Route::post('account/mail', [AccountController::class, 'mail']);
    Route::post('account/codes', [AccountController::class, 'beginCodes']);
    Route::post('account/codes/on', [AccountController::class, 'turnCodesOn']);
    Route::post('account/codes/off', [AccountController::class, 'turnCodesOff']);
});
