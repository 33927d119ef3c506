<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\OperationRejected;
use App\Web\Certificate;
use App\Web\FpmConfig;
use App\Web\Lan;
use App\Web\NginxConfig;
use App\Web\ServiceFiles;
use App\Web\WebServer;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\File;
use Symfony\Component\Console\Output\OutputInterface;

final class WebConfigCommand extends Command
{
    use SpeaksPlainly;

    protected $signature = 'reel:web-config
        {--name=studio.example.org : by which people call the server}
        {--certificate=/etc/ssl/open-reel.pem : its certificate, with the chain}
        {--key=/etc/ssl/private/open-reel.key : the key of it}
        {--port= : for bin/serve: only this machine, on this port}
        {--lan-port= : beside it HTTPS for other devices on the network}
        {--lan-name= : by which they find this computer}
        {--to= : a folder to write them to; without it they are printed}';

    protected $description = 'Print how nginx, PHP-FPM, systemd and logrotate are set up for this installation';

    public function handle(): int
    {
        return $this->plainly(function (): int {
            $to = $this->said('to');
            foreach ($this->files() as $name => $text) {
                if ($to !== '') {
                    File::ensureDirectoryExists($to, 0o700);
                    File::put("{$to}/{$name}", $text);
                } else {
                    $this->output->writeln("# ---- {$name}\n{$text}", OutputInterface::OUTPUT_RAW);
                }
            }

            return self::SUCCESS;
        });
    }

    /** @return array<string, string> text by name */
    private function files(): array
    {
        $server = $this->server();

        return ['nginx.conf' => NginxConfig::of($server), 'php-fpm.conf' => FpmConfig::of($server)]
            + ($this->said('port') === '' ? ServiceFiles::of($server) : []);
    }

    private function server(): WebServer
    {
        $port = $this->said('port');
        $to = $this->said('to');
        if ($port === '') {
            return WebServer::service($this->said('name'), new Certificate($this->said('certificate'), $this->said('key')));
        }
        if (preg_match('/^[0-9]{1,5}$/D', $port) !== 1 || $to === '') {
            throw OperationRejected::badInput('--port takes a whole number, and goes with --to, the folder in which it runs.');
        }

        $lan = $this->said('lan-port') === '' ? null : Lan::here($this->said('lan-name'), (int) $this->said('lan-port'));

        return WebServer::here((int) $port, $to, $lan);
    }

    private function said(string $option): string
    {
        $said = $this->option($option);

        return is_string($said) ? $said : '';
    }
}
