<?php declare(strict_types=1); ?>
@extends('site.page')
@section('title', 'Spare codes')
@section('kind', 'site-note')
@section('body')
    <main>
        <h1>One-time codes are on</h1>
        <p>If you lose your phone, each of these lets you in once. Write them down: they are shown only this once.</p>
        <ul class="spare-codes">
            @foreach ($codes as $code)
                <li>{{ $code }}</li>
            @endforeach
        </ul>
        <p><a href="/account">I have written them down</a></p>
    </main>
@endsection
