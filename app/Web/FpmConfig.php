<?php

declare(strict_types=1);

namespace App\Web;

/** The configuration of PHP-FPM: a pool of processes for each kind of request (php.net, "List of pool directives"). */
final class FpmConfig
{
    /** Requests after which a process is replaced: what a library may have leaked goes with it. */
    private const REQUESTS = 5000;

    public static function of(WebServer $server): string
    {
        return <<<INI
            ; Made by bin/reel web-config.
            [global]
            daemonize = no
            pid = "{$server->run}/fpm.pid"
            error_log = "{$server->root}/storage/logs/php-fpm.log"
            log_level = warning
            process_control_timeout = 10s


            INI.implode("\n", array_map(fn (Pool $pool): string => self::pool($server, $pool), Pool::cases()));
    }

    private static function pool(WebServer $server, Pool $pool): string
    {
        $most = $pool->processes();
        $user = $server->user === null ? '' : "user = {$server->user}\n";
        $requests = self::REQUESTS;
        $kept = $pool->isReady()
            ? "pm = dynamic\npm.start_servers = 2\npm.min_spare_servers = 1\npm.max_spare_servers = 3"
            : "pm = ondemand\npm.process_idle_timeout = 10s";
        $settings = self::settings();

        return <<<INI
            [{$pool->value}]
            {$user}listen = "{$server->socket($pool)}"
            listen.mode = 0600
            pm.max_children = {$most}
            {$kept}
            pm.max_requests = {$requests}
            pm.status_path = /status
            pm.status_listen = "{$server->statusSocket($pool)}"
            clear_env = no
            catch_workers_output = yes
            decorate_workers_output = no
            {$settings}

            INI;
    }

    /** Of PHP, of which a machine's own php.ini may say something else. */
    private static function settings(): string
    {
        $values = [
            'memory_limit' => '512M', 'post_max_size' => '512M', 'upload_max_filesize' => '256M', 'max_file_uploads' => '100',
            'max_execution_time' => '600', 'max_input_time' => '-1', 'output_buffering' => '0', 'display_errors' => 'off',
            'expose_php' => 'off',
        ];

        return implode("\n", array_map(
            fn (string $name, string $value): string => "php_admin_value[{$name}] = {$value}",
            array_keys($values),
            $values,
        ));
    }
}
