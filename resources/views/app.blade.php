<?php declare(strict_types=1); ?>
<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Open Reel</title>
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    @viteReactRefresh
    @vite('resources/js/app/main.tsx')
</head>
<body>
    <div id="app"></div>
    <noscript>Open Reel records in the browser and needs JavaScript.</noscript>
    <script type="application/json" id="setup">{!! json_encode($setup, JSON_HEX_TAG) !!}</script>
</body>
</html>
