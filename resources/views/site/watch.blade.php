<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', $lesson->title)
@section('kind', 'site-watch')
@section('head')
    <meta property="og:type" content="video.other">
    <meta property="og:title" content="{{ $lesson->title }}">
    <meta property="og:url" content="{{ \App\People\OwnAddress::of($base) }}">
    <meta property="og:video" content="{{ \App\People\OwnAddress::of("{$base}/film") }}">
    <meta property="og:video:type" content="video/mp4">
    @if (in_array('thumbnail.jpg', $beside, true))
        <meta property="og:image" content="{{ \App\People\OwnAddress::of("{$base}/thumbnail.jpg") }}">
    @endif
    @if ($course)
        <meta property="og:site_name" content="{{ $course }}">
    @endif
    <link rel="alternate" type="application/json+oembed"
        href="{{ \App\People\OwnAddress::of('/oembed') }}?url={{ urlencode(\App\People\OwnAddress::of($base)) }}">
@endsection
@section('body')
    <header>
        @if ($course)
            <p class="course">{{ $course }}</p>
        @endif
        <h1>{{ $lesson->title }}</h1>
        @if ($for_review)
            <p class="for-review"><b>Draft for review</b>, version {{ $version->number }}. Stop where something is not right, and
                say what: it reaches the lesson's people at exactly that line.</p>
        @endif
    </header>
    <main data-base="{{ $base }}">
        <section class="film" aria-label="Film">
            @include('site.film')
            <div class="film-row">
                <label>Speed
                    <select id="speed">
                        @foreach (['0.75', '1', '1.25', '1.5', '2'] as $speed)
                            <option value="{{ $speed }}" @selected($speed === '1')>{{ $speed }} x</option>
                        @endforeach
                    </select>
                </label>
                <button type="button" id="copy-moment">Copy link to this moment</button>
                <span id="told" role="status"></span>
            </div>
            @if ($version->note !== '')
                <p class="new">New in version {{ $version->number }}: {{ $version->note }}</p>
            @endif
            <nav aria-label="Chapters">
                <h2>Chapters</h2>
                <ol class="chapters">
                    @foreach ($chapters as $chapter)
                        <li><button type="button" data-at="{{ $chapter['from_ms'] }}">
                            @php($seconds = intdiv($chapter['from_ms'], 1000))
                            <span class="time">{{ sprintf('%d:%02d', intdiv($seconds, 60), $seconds % 60) }}</span>
                            {{ $chapter['title'] }}
                        </button></li>
                    @endforeach
                </ol>
            </nav>
            <p class="keys">Keys: Space plays and pauses, the arrows go 5 seconds back and on, C shows captions.</p>
        </section>
        <section class="said" aria-labelledby="said-title">
            <div class="said-head">
                <h2 id="said-title">What is said</h2>
                <input type="search" id="find" placeholder="Find words" aria-label="Find words in what is said">
            </div>
            <div class="lines" tabindex="0" aria-label="What is said, line by line">
                @php($before = null)
                @foreach ($lines as $line)
                    @if ($line['section'] !== $before)
                        <h3>{{ $line['chapter'] }}</h3>
                        @php($before = $line['section'])
                    @endif
                    <button type="button" class="line" data-at="{{ $line['from_ms'] }}">{{ $line['text'] }}</button>
                @endforeach
            </div>
            <p id="found" role="status"></p>
        </section>
        <section class="comments" aria-labelledby="comments-title">
            <h2 id="comments-title">Comments</h2>
            <ul id="comments"></ul>
            <form id="say">
                <p id="say-what">About this moment: <b class="time" id="moment">0:00</b>
                    <button type="button" id="answer-none" hidden>Not an answer</button></p>
                <label>Your name <input name="name" maxlength="60" required autocomplete="name"></label>
                <label>Comment <textarea name="text" rows="3" maxlength="2000" required></textarea></label>
                <p class="problem" id="say-problem" role="alert"></p>
                <button type="submit" class="send">Send comment</button>
            </form>
        </section>
    </main>
    <script type="application/json" id="said">{!! json_encode(['comments' => $comments], JSON_HEX_TAG) !!}</script>
@endsection
