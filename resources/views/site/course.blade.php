<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', $course)
@section('kind', 'site-course')
@section('body')
    <main>
        <h1>{{ $course }}</h1>
        @if ($films === [])
            <p>No film of this course can be watched now.</p>
        @endif
        <ol class="site-films">
            @foreach ($films as $film)
                <li>
                    <a href="{{ $film['path'] }}">
                        @if ($film['picture'] !== null)
                            <img src="{{ $film['picture'] }}" alt="" loading="lazy">
                        @endif
                        <span class="name">{{ $film['title'] }}</span>
                    </a>
                    <p>
                        {{ $film['length'] }}@if ($film['asks']), asks for a password @endif
                    </p>
                </li>
            @endforeach
        </ol>
    </main>
@endsection
