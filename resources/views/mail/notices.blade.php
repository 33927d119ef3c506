<?php declare(strict_types=1); ?>
{!! $name !!},

@foreach ($notices as $notice)
{!! $notice->says !!}
{!! \App\People\OwnAddress::of($notice->path) !!}

@endforeach
At most one such mail an hour. To get none: {!! \App\People\OwnAddress::of('/account') !!}
