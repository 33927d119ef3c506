<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', 'Recording room')
@section('kind', 'device-page')
@section('body')
    <main data-device="paired" class="is-waiting">
        <header>
            <h1 data-lesson>Recording room</h1>
            <p data-section></p>
        </header>
        <p class="device-state" role="status"><span class="lamp" aria-hidden="true"></span> <span data-state>Connecting...</span>
            <time data-elapsed></time></p>
        <div class="device-lines" aria-live="polite">
            <p class="device-now" data-now></p>
            <p class="device-next" data-next></p>
        </div>
        <form method="post" action="/device/leave">
            <span data-place></span>
            <button type="submit">Stop following</button>
        </form>
    </main>
@endsection
