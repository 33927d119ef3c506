<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', 'Sign in')
@section('kind', 'site-note')
@section('body')
    <main>
        <h1>Open Reel</h1>
        @if ($before)
            <p>{{ $before }} is signed in here, and will be signed out when you sign in.</p>
        @endif
        <form method="post" action="/sign-in">
            <label for="email">E-mail</label>
            <input id="email" type="email" name="email" value="{{ $email }}" required autocomplete="username"
                @if (! $email) autofocus @endif>
            <label for="password">Password</label>
            <input id="password" type="password" name="password" required @if ($email) autofocus @endif
                autocomplete="current-password" @if ($problem) aria-describedby="problem" aria-invalid="true" @endif>
            <label class="check"><input type="checkbox" name="remember" value="1"> Stay signed in on this device</label>
            <input type="hidden" name="to" value="{{ $to }}">
            <button type="submit">Sign in</button>
            @if ($problem)
                <p class="problem" id="problem" role="alert">{{ $problem }}</p>
            @endif
        </form>
        @if ($provider)
            <p><a class="button" href="/sign-in/with?to={{ urlencode($to) }}">Sign in with {{ $provider }}</a></p>
        @endif
        <p class="soft"><a href="/forgotten">Forgotten your password?</a></p>
    </main>
@endsection
