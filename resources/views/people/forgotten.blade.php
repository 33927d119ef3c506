<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', 'Reset your password')
@section('kind', 'site-note')
@section('body')
    <main>
        <p><a href="/sign-in">Sign in</a></p>
        <h1>Reset your password</h1>
        @if ($done)
            <p role="status">{{ $done }}</p>
        @endif
        <form method="post" action="/forgotten">
            <label for="email">The e-mail address you sign in with</label>
            <input id="email" type="email" name="email" value="{{ $email }}" required autocomplete="username"
                @if ($problem) aria-describedby="problem" aria-invalid="true" @endif>
            <button type="submit">Send me a link</button>
            @if ($problem)
                <p class="problem" id="problem" role="alert">{{ $problem }}</p>
            @endif
        </form>
    </main>
@endsection
