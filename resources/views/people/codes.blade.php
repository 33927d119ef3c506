<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', 'One-time codes')
@section('kind', 'site-note')
@section('body')
    <main>
        <p><a href="/account">Your account</a></p>
        <h1>One-time codes</h1>
        <p>Scan this with the authenticator app on your phone, or
            <a href="{{ $address }}" data-scannable="The key as a code to scan">open it on this device</a>.</p>
        <noscript><p>The picture to be scanned needs JavaScript; the key does not.</p></noscript>
        <p>No camera? Type this key instead:</p>
        <p class="key">{{ $typed }}</p>
        <form method="post" action="/account/codes/on">
            <label for="code">The code it shows now</label>
            <input id="code" name="code" required autofocus autocomplete="one-time-code" inputmode="numeric" maxlength="10"
                @if ($problem) aria-describedby="problem" aria-invalid="true" @endif>
            <button type="submit">Turn on one-time codes</button>
            @if ($problem)
                <p class="problem" id="problem" role="alert">{{ $problem }}</p>
            @endif
        </form>
    </main>
@endsection
