<?php

declare(strict_types=1);

namespace App\Web;

/**
 * The configuration of nginx: it takes what comes slowly, sends what is read slowly, and hands PHP whole requests only, each to
 * the pool it belongs to (nginx.org, "Core", "FastCGI").
 */
final class NginxConfig
{
    public static function of(WebServer $server): string
    {
        return implode("\n", [
            '# Made by bin/reel web-config.',
            self::program($server),
            self::pools($server),
            ...$server->lan === null
                ? [self::server($server, $server->listen, $server->certificate)]
                : [self::server($server, $server->listen, null), ...self::lan($server, $server->lan)],
            self::status($server),
            '}',
            '',
        ]);
    }

    private static function program(WebServer $server): string
    {
        $user = $server->user === null ? '' : "user {$server->user} ".(posix_getgrgid(posix_getegid())['name'] ?? $server->user).';';

        return <<<NGINX
            daemon off;
            {$user}
            pid "{$server->run}/nginx.pid";
            error_log "{$server->root}/storage/logs/nginx.log" warn;
            worker_processes auto;
            events { worker_connections 2048; }
            http {
                include /etc/nginx/mime.types;
                default_type application/octet-stream;
                access_log off;
                server_tokens off;
                sendfile on;
                tcp_nopush on;
                client_body_temp_path "{$server->run}/bodies";
                fastcgi_temp_path "{$server->run}/answers";
                proxy_temp_path "{$server->run}/proxy";
                uwsgi_temp_path "{$server->run}/uwsgi";
                scgi_temp_path "{$server->run}/scgi";
            NGINX;
    }

    private static function pools(WebServer $server): string
    {
        $upstreams = $rows = '';
        foreach (Pool::cases() as $pool) {
            $upstreams .= "upstream reel_{$pool->value} { server \"unix:{$server->socket($pool)}\"; }\n";
            foreach ($pool->requests() as [$method, $paths]) {
                $method = $method === '*' ? '[A-Z]+' : $method;
                foreach ($paths as $path) {
                    $rows .= '    "~^'.$method.' '.self::pattern($path).'" reel_'.$pool->value.";\n";
                }
            }
        }
        $others = Pool::People->value;

        return <<<NGINX
            {$upstreams}map "\$request_method \$uri" \$reel_pool {
                default reel_{$others};
            {$rows}}
            # A proxy before this one may have named the request already.
            map \$http_x_request_id \$reel_request {
                default \$request_id;
                "~^[A-Za-z0-9._-]{8,64}$" \$http_x_request_id;
            }
            # As the request names it, with its port, unless it says two things at once.
            map "\$host \$http_host" \$reel_host {
                default \$host;
                "~^(?<name>[^ ]+) \\k<name>(?<port>:[0-9]+)?$" \$name\$port;
            }
            NGINX;
    }

    /** @return list<string> by HTTPS for other devices; without it only how they come to trust this machine */
    private static function lan(WebServer $server, Lan $lan): array
    {
        $headers = self::headers();
        $plain = self::listen($lan->listens($lan->plainPort()));

        return [
            self::server(
                $server, array_map(fn (string $one): string => "{$one} ssl http2", $lan->listens($lan->port)), $server->certificate,
            ),
            <<<NGINX
            server {
                {$plain}
                server_name _;
                location = / { return 302 /trust/; }
                location /trust/ {
                    alias "{$server->trustFolder()}/";
            {$headers}
                    add_header Content-Security-Policy "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'";
                    add_header Cache-Control no-store;
                }
                location / { return 404; }
            }
            NGINX,
        ];
    }

    /** nginx itself, for whoever looks after it. */
    private static function status(WebServer $server): string
    {
        return <<<NGINX
            server {
                listen "unix:{$server->connectionsSocket()}";
                location / { stub_status; access_log off; }
            }
            NGINX;
    }

    /** @param  list<string>  $on */
    private static function server(WebServer $server, array $on, ?Certificate $certificate): string
    {
        $listen = self::listen($on);
        $tls = $certificate === null ? '' : <<<NGINX
                ssl_certificate "{$certificate->chain}";
                ssl_certificate_key "{$certificate->key}";
                ssl_protocols TLSv1.2 TLSv1.3;
                ssl_session_cache shared:reel:2m;
            NGINX;
        $headers = self::headers();
        $limits = self::limits();
        $otherwise = BodyLimits::OTHERWISE;
        $fastcgi = self::fastcgi($server);
        $internal = self::internal();
        $tooMuch = json_encode([
            'type' => 'about:blank', 'title' => 'Content Too Large', 'status' => 413, 'detail' => BodyLimits::TOO_MUCH,
        ], JSON_THROW_ON_ERROR);

        return <<<NGINX
            server {
                {$listen}
                server_name {$server->name};
                root "{$server->root}/public";
            {$tls}
                # Whoever sends or reads slowly is waited for here, where it costs nothing; whoever stops is let go.
                client_header_timeout 15s;
                client_body_timeout 60s;
                send_timeout 60s;
                keepalive_timeout 65s;
                keepalive_requests 100000;
                reset_timedout_connection on;
                sendfile_max_chunk 1m;
                # A second of a recording stays in memory.
                client_body_buffer_size 1m;
                client_max_body_size {$otherwise};
                gzip on;
                gzip_comp_level 4;
                gzip_min_length 1024;
                gzip_vary on;
                gzip_types text/css text/plain text/vtt application/javascript application/json application/problem+json image/svg+xml;
                if (\$uri ~ "[\\x00-\\x1f\\x7f]") { return 400; }
                error_page 413 @too_much;
                location @too_much {
                    internal;
                    default_type application/problem+json;
            {$headers}
                    return 413 '{$tooMuch}';
                }

                # Names of what is built tell its contents.
                location ^~ /build/ {
                    add_header Cache-Control "public, max-age=31536000, immutable";
            {$headers}
                    try_files \$uri =404;
                }
                location ~ ^/[a-z-]+\\.svg$ {
                    add_header Cache-Control "public, max-age=3600";
            {$headers}
                    try_files \$uri =404;
                }
            {$internal}{$limits}    location / { try_files /- @application; }
                location @application {
            {$fastcgi}
                }
            }
            NGINX;
    }

    /** @param  list<string>  $on */
    private static function listen(array $on): string
    {
        return implode("\n    ", array_map(fn (string $one): string => "listen {$one};", $on));
    }

    private static function headers(): string
    {
        return implode("\n", array_map(
            fn (string $name, string $value): string => "        add_header {$name} \"{$value}\" always;",
            array_keys(DefaultHeaders::OF_FILES),
            DefaultHeaders::OF_FILES,
        ));
    }

    /** Files that the application lets somebody have: the web server answers in its name. */
    private static function internal(): string
    {
        $headers = implode("\n", array_map(
            fn (string $name): string => "        add_header {$name} \$upstream_http_".strtr(strtolower($name), '-', '_').' always;',
            [...array_keys(DefaultHeaders::OF_ANSWERS), 'Vary', 'X-Request-Id'],
        ));
        $text = '';
        foreach (InternalFiles::folders() as $address => $folder) {
            $folder = str_starts_with($folder, '/') ? $folder : base_path($folder);
            $text .= <<<NGINX
                    location ^~ {$address} {
                        internal;
                        alias "{$folder}/";
                {$headers}
                    }

                NGINX;
        }

        return $text;
    }

    /** A place for each kind of address that takes more, or less, than the others. */
    private static function limits(): string
    {
        $text = '';
        foreach (BodyLimits::MOST as $path => $most) {
            $pattern = self::pattern($path);
            $text .= "    location ~ \"^{$pattern}\" { client_max_body_size {$most}; try_files /- @application; }\n";
        }

        return $text;
    }

    /** @return string of a path in which `*` is anything, as the application reads it (Request::is) */
    private static function pattern(string $path): string
    {
        return '/'.strtr(preg_quote($path), ['\*' => '.*', '\-' => '-']).'$';
    }

    /** What is asked, as PHP knows it (RFC 3875). */
    private const PARAMS = [
        'QUERY_STRING' => '$query_string', 'REQUEST_METHOD' => '$request_method', 'CONTENT_TYPE' => '$content_type',
        'CONTENT_LENGTH' => '$content_length', 'REQUEST_URI' => '$request_uri', 'DOCUMENT_URI' => '$document_uri',
        'SERVER_PROTOCOL' => '$server_protocol', 'REQUEST_SCHEME' => '$scheme', 'HTTPS' => '$https if_not_empty',
        'GATEWAY_INTERFACE' => 'CGI/1.1', 'REMOTE_ADDR' => '$remote_addr', 'REMOTE_PORT' => '$remote_port',
        'SERVER_ADDR' => '$server_addr', 'SERVER_PORT' => '$server_port', 'SERVER_NAME' => '$server_name',
        'REDIRECT_STATUS' => '200', 'HTTP_HOST' => '$reel_host', 'HTTP_X_REQUEST_ID' => '$reel_request', 'HTTP_PROXY' => '""',
        'SCRIPT_NAME' => '/index.php', InternalFiles::PARAMETER => '1',
    ];

    private static function fastcgi(WebServer $server): string
    {
        $params = implode("\n        ", array_map(
            fn (string $name, string $value): string => "fastcgi_param {$name} {$value};",
            array_keys(self::PARAMS),
            self::PARAMS,
        ));

        return <<<NGINX
                    {$params}
                    fastcgi_param SCRIPT_FILENAME "{$server->root}/public/index.php";
                    fastcgi_param DOCUMENT_ROOT "{$server->root}/public";
                    fastcgi_buffer_size 32k;
                    fastcgi_buffers 16 32k;
                    fastcgi_read_timeout 600s;
                    fastcgi_next_upstream off;
                    fastcgi_pass \$reel_pool;
            NGINX;
    }
}
