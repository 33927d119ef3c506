<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', 'Invitation')
@section('kind', 'site-note')
@section('body')
    <main>
        <h1>Invitation</h1>
        <p>{{ $says }}</p>
        <p><a href="/">Open Reel</a></p>
    </main>
@endsection
