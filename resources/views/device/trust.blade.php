<?php declare(strict_types=1); ?>
<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Use Open Reel on this device</title>
    <style>
        body { max-width: 38rem; margin: 2rem auto; padding: 0 1rem; font: 1.05rem/1.5 system-ui, sans-serif; }
        body { color: #1c2430; background: #fff; }
        h1 { font-size: 1.5rem; }
        h2 { margin-top: 2rem; font-size: 1.15rem; }
        .get { display: inline-block; padding: 0.7rem 1.1rem; border-radius: 4px; background: #14506b; }
        .get { color: #fff; font-weight: 700; text-decoration: none; }
        code { overflow-wrap: anywhere; }
    </style>
</head>
<body>
    <h1>Use Open Reel on this device</h1>
    <p>The computer with Open Reel is on your own network, and no public authority vouches for it. Once this device trusts the
        certificate below, its connection is encrypted, and the browser lets it use camera and microphone. The certificate counts
        for addresses of this network only.</p>
    <p><a class="get" href="open-reel.crt" download>Get the certificate</a></p>
    <p>Its fingerprint (SHA-256), which the computer prints as well:<br><code>{{ $fingerprint }}</code></p>
    <h2>iPhone and iPad</h2>
    <ol>
        <li>Open this page in Safari, get the certificate, and allow the profile to be downloaded.</li>
        <li>In Settings, open <em>Profile Downloaded</em> and install it.</li>
        <li>In Settings, General, About, Certificate Trust Settings, turn on trust for <em>Open Reel</em>.</li>
    </ol>
    <h2>Android</h2>
    <ol>
        <li>Get the certificate.</li>
        <li>In Settings, search for <em>CA certificate</em>, choose it, and select the downloaded file.</li>
    </ol>
    <h2>A computer</h2>
    <p>Get the certificate and add it to the authorities that your browser or system trusts for web sites.</p>
    <h2>Then</h2>
    <p>Open <a href="{{ $address }}/device">{{ $address }}/device</a>, and type the code that the recording room shows.</p>
    <p>When you do not need it any more, remove the certificate in the same place.</p>
</body>
</html>
