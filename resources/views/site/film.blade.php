<?php declare(strict_types=1); ?>
<video id="film" controls preload="metadata" playsinline src="{{ $base }}/film?v={{ $version->number }}"
    aria-label="{{ $lesson->title }}"
    @if (in_array('thumbnail.jpg', $beside, true)) poster="{{ $base }}/thumbnail.jpg" @endif>
    @if (in_array('captions.vtt', $beside, true))
        <track kind="captions" src="{{ $base }}/captions.vtt" srclang="{{ $language }}" label="{{ $languages[$language] }}">
    @endif
    @foreach ($languages as $code => $name)
        @if (in_array("captions.{$code}.vtt", $beside, true))
            <track kind="captions" src="{{ $base }}/captions.{{ $code }}.vtt" srclang="{{ $code }}" label="{{ $name }}">
        @endif
    @endforeach
    <track kind="chapters" src="{{ $base }}/chapters.vtt" srclang="{{ $language }}" label="Chapters">
</video>
