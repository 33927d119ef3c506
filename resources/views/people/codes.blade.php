<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', 'One-time codes')
@section('kind', 'site-note')
@section('body')
    <main>
        <p><a href="/account">Your account</a></p>
        <h1>One-time codes</h1>
        <p>Scan this with the authenticator on your telephone, or
            <a href="{{ $address }}" data-scannable="The key, to be scanned">open it on this device</a>.</p>
        <noscript><p>The picture to be scanned needs JavaScript; the key does not.</p></noscript>
        <p>Without a camera, type the key there:</p>
        <p class="key">{{ $typed }}</p>
        <form method="post" action="/account/codes/on">
            <label for="code">The code that it shows now</label>
            <input id="code" name="code" required autofocus autocomplete="one-time-code" inputmode="numeric" maxlength="10"
                @if ($problem) aria-describedby="problem" aria-invalid="true" @endif>
            <button type="submit">Ask for codes from now on</button>
            @if ($problem)
                <p class="problem" id="problem" role="alert">{{ $problem }}</p>
            @endif
        </form>
    </main>
@endsection
