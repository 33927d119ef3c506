<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', 'Choose a new password')
@section('kind', 'site-note')
@section('body')
    <main>
        <h1>Choose a new password</h1>
        <form method="post" action="/forgotten/{{ $token }}">
            <input type="hidden" name="email" value="{{ $email }}">
            <label for="password">New password, at least {{ $shortest }} characters</label>
            <input id="password" type="password" name="password" required autofocus minlength="{{ $shortest }}"
                autocomplete="new-password" @if ($problem) aria-describedby="problem" aria-invalid="true" @endif>
            <button type="submit">Change password</button>
            @if ($problem)
                <p class="problem" id="problem" role="alert">{{ $problem }}</p>
            @endif
        </form>
    </main>
@endsection
