<?php declare(strict_types=1); ?>
<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>{{ $title }}</title>
    <style>
        body { max-width: 60rem; margin: 0 auto; padding: 1rem; background: #faf8f3; color: #1b2430; }
        body { font: 1rem/1.5 system-ui, sans-serif; }
        video { width: 100%; background: #1b2430; border-radius: 4px; }
        button { border: 0; padding: .25rem .5rem; background: none; color: inherit; font: inherit; text-align: start; }
        button:hover, button:focus-visible { background: #fff; outline: 2px solid #0b5d66; }
        a { color: #0b5d66; }
        li button, p button { display: inline; }
        .time { color: #566070; font-variant-numeric: tabular-nums; }
    </style>
</head>
<body>
<main>
    <h1>{{ $title }}</h1>
    <video id="film" src="{{ $in.rawurlencode($film) }}" controls preload="metadata"
        @if (in_array('thumbnail.jpg', $beside, true)) poster="{{ $in }}thumbnail.jpg" @endif></video>
    <h2>Chapters</h2>
    <ol>
        @foreach ($chapters as $chapter)
            <li><button type="button" data-at="{{ $chapter['from_ms'] }}">{{ $chapter['title'] }}</button></li>
        @endforeach
    </ol>
    <h2>What is said</h2>
    @php($before = null)
    @foreach ($lines as $line)
        @if ($line['section'] !== $before)
            <h3>{{ $line['chapter'] }}</h3>
            @php($before = $line['section'])
        @endif
        <button type="button" data-at="{{ $line['from_ms'] }}">{{ $line['text'] }}</button>
    @endforeach
    <h2>Files</h2>
    <ul>
        <li><a href="{{ $in.rawurlencode($film) }}">{{ $film }}</a></li>
        @foreach ($beside as $kind)
            <li><a href="{{ $in.$kind }}">{{ $kind }}</a></li>
        @endforeach
    </ul>
</main>
    <script type="text/plain" id="captions">{{ $captions }}</script>
    <script>
        const film = document.getElementById('film');
        document.querySelectorAll('[data-at]').forEach((one) => one.addEventListener('click', () => {
            film.currentTime = one.dataset.at / 1000;
            film.play();
        }));
        // A page in a folder may not read the files beside it, so captions stand in the page itself.
        const kept = document.getElementById('captions').textContent;
        const text = new DOMParser().parseFromString(kept, 'text/html').documentElement.textContent;
        const seconds = (clock) => clock.split(':').reduce((sum, part) => 60 * sum + Number(part), 0);
        const track = film.addTextTrack('captions', 'Captions', 'en');
        for (const [, from, until, words] of text.matchAll(/^([\d:.]+) --> ([\d:.]+)\n([^]*?)(?:\n\n|$(?![^]))/gm)) {
            track.addCue(new VTTCue(seconds(from), seconds(until), words.trim()));
        }
        track.mode = 'hidden';
    </script>
    @if ($tells !== 'folder')
        @include('film.seen')
        @include("film.{$tells}")
    @endif
</body>
</html>
