<?php

declare(strict_types=1);

namespace App\Web;

use App\OperationRejected;

/** This machine as others on the same network find it. */
final readonly class Lan
{
    /**
     * @param  list<string>  $addresses  IP addresses, the likeliest first
     * @param  string|null  $name  by which it is found, when somebody has said so
     * @param  int  $port  of HTTPS
     */
    private function __construct(public array $addresses, public ?string $name, public int $port)
    {
    }

    /** @throws OperationRejected when it is on no network */
    public static function here(?string $name, int $port): self
    {
        $addresses = [];
        foreach (net_get_interfaces() ?: [] as $interface) {
            foreach (($interface['up'] ?? false) ? $interface['unicast'] ?? [] : [] as $one) {
                $addresses[] = (string) ($one['address'] ?? '');
            }
        }
        $others = array_values(array_filter($addresses, self::isOfNetwork(...)));
        if ($others === []) {
            throw OperationRejected::conflict('This computer is on no network on which other devices could find it.');
        }
        // Short ones first: they may have to be typed.
        usort($others, fn (string $a, string $b): int => str_contains($a, ':') <=> str_contains($b, ':'));

        return new self($others, $name === null || $name === '' ? null : strtolower($name), $port);
    }

    /** What other devices open. */
    public function address(): string
    {
        return 'https://'.$this->hosts()[0];
    }

    /** Where a device is told how to trust this machine, before it does: without HTTPS. */
    public function plainAddress(): string
    {
        return 'http://'.($this->name ?? self::bracketed($this->addresses[0])).':'.$this->plainPort();
    }

    public function plainPort(): int
    {
        return $this->port + 1;
    }

    /** @return list<string> names and addresses with the port, as requests name them */
    public function hosts(): array
    {
        $hosts = [...$this->name === null ? [] : [$this->name], ...array_map(self::bracketed(...), $this->addresses)];

        return array_map(fn (string $host): string => "{$host}:{$this->port}", $hosts);
    }

    /** @return list<string> what nginx listens on, on a port: addresses of version 6 where there are any */
    public function listens(int $port): array
    {
        $has = array_filter($this->addresses, fn (string $one): bool => str_contains($one, ':')) !== [];

        return [(string) $port, ...$has ? ["[::]:{$port}"] : []];
    }

    /** Neither this machine's own nor one that needs the name of an interface beside it. */
    private static function isOfNetwork(string $address): bool
    {
        return filter_var($address, FILTER_VALIDATE_IP) !== false
            && preg_match('/^(127\.|::1$|169\.254\.|fe[89ab][0-9a-f]:)/i', $address) !== 1;
    }

    private static function bracketed(string $address): string
    {
        return str_contains($address, ':') ? "[{$address}]" : $address;
    }
}
