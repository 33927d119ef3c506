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
        @if ($problem)
            <p class="problem" id="problem" role="alert">{{ $problem }}</p>
        @endif
        <h2>Mail</h2>
        <form method="post" action="/account/mail">
            <label class="check"><input type="checkbox" name="wants_mail" value="1" @checked($user->wants_mail)> Mail me what
                others do in my lessons, at most once an hour</label>
            <button type="submit" class="quiet">Save</button>
        </form>
        <h2>Password</h2>
        <form method="post" action="/account/password">
            <label for="password">Current password</label>
            <input id="password" type="password" name="password" required autocomplete="current-password"
                @if ($problem) aria-describedby="problem" @endif>
            <label for="new">New password, at least {{ $shortest }} characters</label>
            <input id="new" type="password" name="new" required minlength="{{ $shortest }}" autocomplete="new-password">
            <button type="submit" class="quiet">Change password</button>
        </form>
        <h2>One-time codes</h2>
        <form method="post" action="/account/codes{{ $user->code_secret ? '/off' : '' }}">
            <p>{{ $user->code_secret
                ? 'You are asked for a code from your phone when you sign in.'
                : 'You can be asked for a code from your phone as well as your password.' }}</p>
            <label for="code-password">Current password</label>
            <input id="code-password" type="password" name="password" required autocomplete="current-password">
            <button type="submit" class="quiet">{{
                $user->code_secret ? 'Turn off one-time codes' : 'Set up one-time codes'
            }}</button>
        </form>
        <h2 id="devices">Where you are signed in</h2>
        <ul class="devices">
            @foreach ($devices as $device)
                <li>
                    <span>
                        {{ $device->name }}@if ($device->id === $mine), this one @endif
                        <span class="soft">
                            {{ $device->id === $mine ? 'in use' : "used {$device->ago()}" }}{{
                                $device->token === null ? '' : ', stays signed in' }}
                        </span>
                    </span>
                    @if ($device->id !== $mine)
                        <form method="post" action="/account/devices/{{ $device->id }}/end">
                            <button type="submit" class="quiet" aria-label="Sign out {{ $device->name }}">Sign out</button>
                        </form>
                    @endif
                </li>
            @endforeach
        </ul>
        @if (count($devices) > 1)
            <form method="post" action="/account/elsewhere">
                <button type="submit" class="quiet">Sign out everywhere else</button>
            </form>
        @endif
        <form method="post" action="/sign-out">
            <button type="submit" class="quiet">Sign out here</button>
        </form>
    </main>
@endsection
