<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', 'Not here')
@section('kind', 'site-note')
@section('body')
    <main>
        <h1>This film is not here</h1>
        <p>It was taken away, or its time is over. Ask whoever sent you the link.</p>
    </main>
@endsection
