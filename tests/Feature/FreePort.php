<?php

declare(strict_types=1);

namespace Tests\Feature;

final class FreePort
{
    /** A port of this machine that nobody listens on. */
    public static function any(): int
    {
        $free = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('No port is free.');
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($free, false), ':'), 1);
        fclose($free);

        return $port;
    }
}
