<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', 'Waiting to be let in')
@section('kind', 'site-note')
@section('body')
    <main data-device="asked">
        <h1>Waiting to be let in</h1>
        <p>The recording room is asking whether this device may follow it. Choose <strong>Let it in</strong> there.</p>
        <p class="problem" data-lost hidden role="status">The server cannot be reached. This page asks again by itself.</p>
        <form method="post" action="/device/leave">
            <button type="submit" class="quiet">Cancel</button>
        </form>
    </main>
@endsection
