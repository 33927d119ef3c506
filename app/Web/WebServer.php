<?php

declare(strict_types=1);

namespace App\Web;

use App\OperationRejected;

/** Where this installation listens, as whom, and where what belongs to its web server lies. */
final readonly class WebServer
{
    /** Longest path of a socket, in bytes (unix(7), sun_path). */
    private const SOCKET_PATH = 107;

    /**
     * @param  string  $root  folder of the application
     * @param  string  $run  folder for sockets, process numbers and what is on its way; nobody else writes there
     * @param  list<string>  $listen  what nginx's `listen` takes
     * @param  string  $name  nginx's `server_name`; `_` for whatever name a request says
     * @param  string|null  $user  as whom processes run; null as whoever starts them, who may not choose
     * @param  Certificate|null  $certificate  for HTTPS, on all or on the local network
     * @param  Lan|null  $lan  where other devices find it, beside this machine itself
     */
    private function __construct(
        public string $root,
        public string $run,
        public array $listen,
        public string $name,
        public ?string $user,
        public ?Certificate $certificate,
        public ?Lan $lan = null,
    ) {
    }

    /**
     * For `bin/serve`: on this machine only, unless other devices are let in, and ending with whoever starts it.
     *
     * @throws OperationRejected for a folder whose path is too long for sockets, or cannot be written in a configuration
     */
    public static function here(int $port, string $run, ?Lan $lan = null): self
    {
        $user = posix_geteuid() === 0 ? (string) (posix_getpwuid(0)['name'] ?? 'root') : null;

        $certificate = $lan === null ? null : Authority::here()->server();

        return (new self(base_path(), $run, ["127.0.0.1:{$port}"], '_', $user, $certificate, $lan))->checked();
    }

    /** For a server that systemd starts as a user of its own, who may listen on the port of HTTPS. */
    public static function service(string $name, Certificate $certificate): self
    {
        return new self(base_path(), '/run/open-reel', ['443 ssl http2', '[::]:443 ssl http2'], $name, null, $certificate);
    }

    /** @return list<self> those of this installation that run on this machine, by the port or as a service */
    public static function running(): array
    {
        $folders = array_map(dirname(...), glob(base_path('storage/framework/serve/*/php-fpm.conf')) ?: []);
        $servers = array_map(fn (string $folder): self => self::here((int) basename($folder), $folder), $folders);
        $servers[] = self::service('_', new Certificate('', ''));

        return array_values(array_filter(
            $servers, fn (self $one): bool => PoolStatus::of($one, Pool::People) !== null,
        ));
    }

    /** The page that tells other devices how to trust this machine, and what they get there. */
    public function trustFolder(): string
    {
        return "{$this->run}/trust";
    }

    public function socket(Pool $pool): string
    {
        return "{$this->run}/{$pool->value}.sock";
    }

    /** On which a pool says how busy it is, also when it is. */
    public function statusSocket(Pool $pool): string
    {
        return "{$this->run}/{$pool->value}-status.sock";
    }

    /** On which nginx says how busy it is. */
    public function connectionsSocket(): string
    {
        return "{$this->run}/connections.sock";
    }

    private function checked(): self
    {
        if (preg_match('/["\\\\$\n;]/', $this->root.$this->run) === 1) {
            throw OperationRejected::badInput("The web server cannot be told of a folder called {$this->root}.");
        }
        foreach (Pool::cases() as $pool) {
            if (strlen($this->statusSocket($pool)) > self::SOCKET_PATH) {
                throw OperationRejected::badInput("The path {$this->run} is too long for sockets.");
            }
        }

        return $this;
    }
}
