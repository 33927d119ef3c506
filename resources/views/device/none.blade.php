<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', 'Follow the recording room')
@section('kind', 'site-note')
@section('body')
    <main>
        <h1>Follow the recording room</h1>
        <p>This device will show which line comes next and whether a take is being recorded. In the room, choose
            <strong>Other devices</strong>, then type the six digits it shows.</p>
        <form method="post" action="/device">
            <label for="code">Code</label>
            <input id="code" name="code" value="{{ $code }}" required inputmode="numeric" autocomplete="one-time-code"
                maxlength="12" size="8" class="pairing-code" @if ($code === '') autofocus @endif
                @if ($problem) aria-describedby="problem" aria-invalid="true" @endif>
            <label for="name">Name of this device</label>
            <input id="name" name="name" value="{{ $name }}" maxlength="80" autocomplete="off">
            <button type="submit">Ask to be let in</button>
            @if ($problem)
                <p class="problem" id="problem" role="alert">{{ $problem }}</p>
            @endif
        </form>
    </main>
@endsection
