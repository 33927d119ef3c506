<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', 'One-time code')
@section('kind', 'site-note')
@section('body')
    <main>
        <h1>One-time code</h1>
        <form method="post" action="/sign-in/code">
            <label for="code">The code your phone shows, or a spare code</label>
            <input id="code" name="code" required autofocus autocomplete="one-time-code" spellcheck="false" maxlength="20"
                @if ($problem) aria-describedby="problem" aria-invalid="true" @endif>
            <input type="hidden" name="to" value="{{ $to }}">
            <button type="submit">Sign in</button>
            @if ($problem)
                <p class="problem" id="problem" role="alert">{{ $problem }}</p>
            @endif
        </form>
        <p><a href="/sign-in">Start again</a></p>
    </main>
@endsection
