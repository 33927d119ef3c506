<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', 'Invitation')
@section('kind', 'site-note')
@section('body')
    <main>
        <h1>{{ $title }}</h1>
        <p>{{ $by }} has invited you to join this {{ $what }} as {{ $role->value }}: someone who {{ $role->description() }}.</p>
        @if ($user)
            <p class="soft">You are signed in as {{ $user->name }} ({{ $user->email }}).</p>
            <form method="post" action="/invited/{{ $token }}">
                <button type="submit">Join</button>
                @if ($problem)
                    <p class="problem" id="problem" role="alert">{{ $problem }}</p>
                @endif
            </form>
        @else
            <p><a href="/sign-in?to=/invited/{{ $token }}">Sign in</a> if you already have an account here. If not, create
                one:</p>
            <form method="post" action="/invited/{{ $token }}">
                <label for="name">Your name</label>
                <input id="name" name="name" value="{{ $name }}" maxlength="100" required autocomplete="name">
                <label for="email">E-mail</label>
                <input id="email" type="email" name="email" value="{{ $email }}" required autocomplete="username">
                <label for="password">Password, at least {{ $shortest }} characters</label>
                <input id="password" type="password" name="password" required minlength="{{ $shortest }}"
                    autocomplete="new-password" @if ($problem) aria-describedby="problem" aria-invalid="true" @endif>
                <button type="submit">Join</button>
                @if ($problem)
                    <p class="problem" id="problem" role="alert">{{ $problem }}</p>
                @endif
            </form>
        @endif
    </main>
@endsection
