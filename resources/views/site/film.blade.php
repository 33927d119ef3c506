<?php declare(strict_types=1); ?>
<video id="film" controls preload="metadata" playsinline src="{{ $base }}/film?v={{ $version->number }}"
    aria-label="{{ $lesson->title }}"
    @if (in_array('thumbnail.jpg', $beside, true)) poster="{{ $base }}/thumbnail.jpg" @endif>
    @if (in_array('captions.vtt', $beside, true))
        <track kind="captions" src="{{ $base }}/captions.vtt" srclang="en" label="Captions">
    @endif
    <track kind="chapters" src="{{ $base }}/chapters.vtt" srclang="en" label="Chapters">
</video>
