<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Web\Authority;
use App\Web\Lan;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\File;

final class LanCommand extends Command
{
    use SpeaksPlainly;

    protected $signature = 'reel:lan
        {--name= : by which this computer is found in the network}
        {--port=8443 : of HTTPS}
        {--to= : the folder for the page that tells devices how to trust this computer}';

    protected $description = 'For bin/serve --lan: certificates, and the settings with which other devices are answered';

    protected $hidden = true;

    public function handle(): int
    {
        return $this->plainly(function (): int {
            $name = $this->option('name');
            $lan = Lan::here(is_string($name) ? $name : null, (int) $this->option('port'));
            $authority = Authority::here();
            $isNew = $authority->issue($lan->addresses, $lan->name);
            $this->page($lan, $authority);
            // Beside the names it goes by already.
            $hosts = implode(',', array_unique([...array_map(strval(...), (array) config('reel.hosts')), ...$lan->hosts()]));
            foreach ([
                'REEL_LAN' => $lan->address(), 'REEL_HOSTS' => $hosts, 'REEL_LAN_TRUST' => $lan->plainAddress(),
                'LAN_FINGERPRINT' => $authority->fingerprint(), 'LAN_RENEWED' => $isNew ? 'yes' : 'no',
            ] as $setting => $value) {
                $this->line("{$setting}={$value}");
            }

            return self::SUCCESS;
        });
    }

    private function page(Lan $lan, Authority $authority): void
    {
        $to = $this->option('to');
        if (! is_string($to) || $to === '') {
            return;
        }
        File::ensureDirectoryExists($to, 0o700);
        File::copy($authority->certificate(), "{$to}/open-reel.crt");
        File::put("{$to}/index.html", view('device.trust', [
            'address' => $lan->address(), 'fingerprint' => $authority->fingerprint(),
        ])->render());
    }
}
