<?php declare(strict_types=1); ?>
<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="robots" content="noindex">
    <title>@yield('title')</title>
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    @yield('head')
    @vite('resources/js/site/watch.ts')
</head>
<body class="@yield('kind')">
@yield('body')
</body>
</html>
