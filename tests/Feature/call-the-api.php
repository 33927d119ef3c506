<?php

declare(strict_types=1);

// One of the processes of Tests\Feature\Processes: call-the-api.php CODE NUMBER START

use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;

require __DIR__.'/../../vendor/autoload.php';

[, $code, $me, $start] = $argv;
$app = require __DIR__.'/../../bootstrap/app.php';
$kernel = $app->make(Kernel::class);
$call = function (string $method, string $path, mixed $data = [], array $headers = []) use ($kernel): array {
    $server = ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/json', 'HTTP_X_OPEN_REEL' => '1'] + $headers;
    $request = Request::create(
        "http://127.0.0.1/api/{$path}",
        $method,
        server: $server,
        content: is_string($data) ? $data : (string) json_encode($data),
    );
    $response = $kernel->handle($request);

    return [$response->getStatusCode(), json_decode((string) $response->getContent(), true)];
};
$work = require $code;
$call('GET', 'lessons');
usleep((int) max(0, 1_000_000 * ((float) $start - microtime(true))));
echo json_encode($work($call, (int) $me));
