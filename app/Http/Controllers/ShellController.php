<?php

namespace App\Http\Controllers;

use App\Actions\FrameChoice;
use Illuminate\Http\Response;

/** The page that the interface starts in. */
final class ShellController
{
    /** Scripts, styles and fonts come from here and nowhere else; recordings play from memory (blob:). */
    private const POLICY = "default-src 'self'; media-src 'self' blob:; img-src 'self' blob: data:; style-src 'self' 'unsafe-inline'; frame-ancestors 'none'; base-uri 'none'";

    public function __invoke(): Response
    {
        return response()->view('app', ['setup' => ['frames' => FrameChoice::SIZES, 'rates' => FrameChoice::RATES]])
            ->header('Content-Security-Policy', self::POLICY)
            ->header('Referrer-Policy', 'same-origin')
            ->header('X-Content-Type-Options', 'nosniff');
    }
}
