<?php declare(strict_types=1); ?>
{!! $name !!},

@foreach ($notices as $notice)
{!! $notice->says !!}
{!! url($notice->path) !!}

@endforeach
At most one such mail an hour. To get none: {!! url('/account') !!}
