<?php

declare(strict_types=1);

// Says in Redis, once a second, that the process which started this lives (App\Media\Heartbeat). It ends with that process. Plain
// PHP without the application: it has to be small and to beat whatever the other does.

const EVERY_MICROSECONDS = 1_000_000;
const HOLDS_SECONDS = 5;

/** @var array{host: string, port: int, password: string, database: int, key: string} $says */
$says = json_decode((string) stream_get_contents(STDIN), true, flags: JSON_THROW_ON_ERROR);

function command(mixed $socket, string ...$words): bool
{
    $text = '*'.count($words)."\r\n";
    foreach ($words as $word) {
        $text .= '$'.strlen($word)."\r\n{$word}\r\n";
    }

    return @fwrite($socket, $text) === strlen($text) && str_starts_with((string) @fgets($socket), '+');
}

$open = function () use ($says): mixed {
    $socket = @stream_socket_client("tcp://{$says['host']}:{$says['port']}", timeout: 2);
    if ($socket === false) {
        return null;
    }
    stream_set_timeout($socket, 2);
    $isOpen = ($says['password'] === '' || command($socket, 'AUTH', $says['password']))
        && command($socket, 'SELECT', (string) $says['database']);

    return $isOpen ? $socket : null;
};
$parent = posix_getppid();
$socket = null;
$hasBegun = false;
while (posix_getppid() === $parent) {
    $socket ??= $open();
    $isSaid = $socket !== null && command($socket, 'SET', $says['key'], '1', 'EX', (string) HOLDS_SECONDS);
    if (! $isSaid) {
        $socket = null;
    } elseif (! $hasBegun) {
        $hasBegun = true;
        echo "beats\n";
    }
    if (! $hasBegun) {
        // Whoever waits for it must not wait for ever.
        exit(1);
    }
    usleep(EVERY_MICROSECONDS);
}
if ($socket !== null) {
    // No need to wait: it is gone.
    command($socket, 'SET', $says['key'], '0', 'PX', '1');
}
