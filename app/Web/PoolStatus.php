<?php

declare(strict_types=1);

namespace App\Web;

/** How busy a pool of PHP-FPM is, as it says itself. */
final readonly class PoolStatus
{
    private const BEGIN = 1;

    private const PARAMS = 4;

    private const STDIN = 5;

    private const STDOUT = 6;

    private const END = 3;

    private const PATIENCE_SECONDS = 1;

    /** @param  int  $waiting  requests that no process has taken yet */
    private function __construct(public int $busy, public int $idle, public int $waiting, public int $most)
    {
    }

    /** @return self|null null when nobody answers there */
    public static function of(WebServer $server, Pool $pool): ?self
    {
        $said = json_decode((string) self::ask($server->statusSocket($pool)), true);

        return ! is_array($said) ? null : new self(
            (int) ($said['active processes'] ?? 0), (int) ($said['idle processes'] ?? 0), (int) ($said['listen queue'] ?? 0),
            $pool->processes(),
        );
    }

    /** One request for the page of status (FastCGI 1.0, section 3). */
    private static function ask(string $socket): ?string
    {
        $stream = @stream_socket_client("unix://{$socket}", timeout: self::PATIENCE_SECONDS);
        if ($stream === false) {
            return null;
        }
        stream_set_timeout($stream, self::PATIENCE_SECONDS);
        $params = '';
        $asked = [
            'SCRIPT_NAME' => '/status', 'SCRIPT_FILENAME' => '/status', 'REQUEST_METHOD' => 'GET', 'QUERY_STRING' => 'json',
        ];
        foreach ($asked as $name => $value) {
            $params .= chr(strlen($name)).chr(strlen($value)).$name.$value;
        }
        // As the one who answers, for this request only.
        fwrite($stream, self::record(self::BEGIN, "\0\1\0\0\0\0\0\0").self::record(self::PARAMS, $params)
            .self::record(self::PARAMS, '').self::record(self::STDIN, ''));
        $answer = '';
        while (strlen($head = (string) stream_get_contents($stream, 8)) === 8) {
            /** @var array{type: int, length: int, padding: int} $record */
            $record = unpack('Cversion/Ctype/nrequest/nlength/Cpadding', $head);
            $content = (string) stream_get_contents($stream, $record['length'] + $record['padding']);
            $answer .= $record['type'] === self::STDOUT ? substr($content, 0, $record['length']) : '';
            if ($record['type'] === self::END) {
                break;
            }
        }
        fclose($stream);

        // Behind its headers.
        return explode("\r\n\r\n", $answer, 2)[1] ?? null;
    }

    private static function record(int $type, string $content): string
    {
        return pack('CCnnCx', 1, $type, 1, strlen($content), 0).$content;
    }
}
