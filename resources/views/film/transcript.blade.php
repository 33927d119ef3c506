<?php declare(strict_types=1); ?>
<!doctype html>
<html lang="{{ $language }}">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>{{ $title }}</title>
    <style>
        body { max-width: 42rem; margin: 0 auto; padding: 1.5rem; background: #faf8f3; color: #1b2430; }
        body { font: 1.0625rem/1.6 Georgia, serif; }
        .time { color: #566070; font-size: .875rem; font-variant-numeric: tabular-nums; }
    </style>
</head>
<body>
<main>
    <h1>{{ $title }}</h1>
    @foreach ($chapters as $chapter)
        <section>
            <h2>{{ $chapter->title }} <span class="time">{{ $chapter->from->clock() }}</span></h2>
            @foreach ($chapter->lines as $line)
                <p>
                    <time class="time" datetime="PT{{ round($line->from->seconds(), 2) }}S">{{ $line->from->clock() }}</time>
                    {{ $line->text }}
                </p>
            @endforeach
        </section>
    @endforeach
</main>
</body>
</html>
