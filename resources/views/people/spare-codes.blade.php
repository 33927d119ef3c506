<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', 'Spare codes')
@section('kind', 'site-note')
@section('body')
    <main>
        <h1>Codes are asked for now</h1>
        <p>Should your telephone be lost, each of these lets you in once. Write them down: they are shown only now.</p>
        <ul class="spare-codes">
            @foreach ($codes as $code)
                <li>{{ $code }}</li>
            @endforeach
        </ul>
        <p><a href="/account">I have them</a></p>
    </main>
@endsection
