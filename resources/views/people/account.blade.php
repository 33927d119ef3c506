<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', 'Your account')
@section('kind', 'site-note')
@section('body')
    <main>
        <p><a href="/">Shelf</a></p>
        <h1>{{ $user->name }}</h1>
        <p class="soft">{{ $user->email }}</p>
        @if ($done)
            <p role="status">{{ $done }}</p>
        @endif
        <form method="post" action="/account/password">
            <label for="password">Password now</label>
            <input id="password" type="password" name="password" required autocomplete="current-password"
                @if ($problem) aria-describedby="problem" aria-invalid="true" @endif>
            <label for="new">New password, at least {{ $shortest }} characters</label>
            <input id="new" type="password" name="new" required minlength="{{ $shortest }}" autocomplete="new-password">
            <button type="submit">Change password</button>
            @if ($problem)
                <p class="problem" id="problem" role="alert">{{ $problem }}</p>
            @endif
        </form>
        <form method="post" action="/sign-out">
            <button type="submit" class="quiet">Sign out</button>
        </form>
    </main>
@endsection
