<?php declare(strict_types=1); ?>
@foreach ($paragraphs as $paragraph)
{!! $paragraph !!}

@endforeach
