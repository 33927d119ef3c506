<?php

declare(strict_types=1);

namespace App\Web;

/** What systemd and logrotate need for a server that stays up by itself (systemd.exec(5), logrotate(8)). */
final class ServiceFiles
{
    private const ABOUT = '# Made by bin/reel web-config.';

    private const PHP = '/usr/sbin/php-fpm8.2 -F -y /etc/open-reel/php-fpm.conf';

    private const NGINX = '/usr/sbin/nginx -e stderr -c /etc/open-reel/nginx.conf';

    /** @return array<string, string> text by the name of the file */
    public static function of(WebServer $server): array
    {
        return [
            'reel-php.service' => self::unit('the application', 'network.target', self::PHP, [
                'RuntimeDirectory=open-reel', 'RuntimeDirectoryMode=0700', 'ExecReload=/bin/kill -USR2 $MAINPID',
            ]),
            'reel-web.service' => self::unit('the web server', 'reel-php.service', self::NGINX, [
                // It may listen on the port of HTTPS, and nothing else that its user may not.
                'AmbientCapabilities=CAP_NET_BIND_SERVICE', 'ExecReload=/bin/kill -HUP $MAINPID',
            ]),
            'logrotate' => self::ABOUT." /etc/logrotate.d/open-reel\n".<<<TEXT
                {$server->root}/storage/logs/*.log {
                    su reel reel
                    weekly
                    rotate 8
                    compress
                    delaycompress
                    missingok
                    notifempty
                    copytruncate
                }

                TEXT,
        ];
    }

    /** @param  list<string>  $more  rows of its service */
    private static function unit(string $what, string $after, string $start, array $more): string
    {
        return implode("\n", [
            self::ABOUT, '[Unit]', "Description=Open Reel, {$what}", "After={$after}", '', '[Service]', 'User=reel', "ExecStart={$start}",
            ...$more, 'KillSignal=SIGQUIT', 'Restart=always', 'RestartSec=1', 'LimitNOFILE=8192', '', '[Install]',
            'WantedBy=multi-user.target', '',
        ]);
    }
}
