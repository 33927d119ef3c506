<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', $lesson->title)
@section('kind', 'site-embed')
@section('body')
    <main>
        <h1 class="unseen">{{ $lesson->title }}</h1>
        @include('site.film')
    </main>
@endsection
