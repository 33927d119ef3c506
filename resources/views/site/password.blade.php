<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', $title)
@section('kind', 'site-note')
@section('body')
    <main>
        <h1>{{ $title }}</h1>
        <form method="post" action="{{ $base }}">
            <label for="password">Password</label>
            <input id="password" type="password" name="password" required autofocus autocomplete="current-password"
                @if ($problem) aria-describedby="problem" aria-invalid="true" @endif>
            <button type="submit">Watch</button>
            @if ($problem)
                <p class="problem" id="problem" role="alert">{{ $problem }}</p>
            @endif
        </form>
    </main>
@endsection
