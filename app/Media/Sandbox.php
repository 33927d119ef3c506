<?php

declare(strict_types=1);

namespace App\Media;

use Symfony\Component\Process\ExecutableFinder;
use Symfony\Component\Process\Process;

/**
 * What outside programs may do: what they open was made by somebody else, and none of them has anything to ask of a network. In
 * so far as the system allows (`bin/reel doctor` tells).
 */
final class Sandbox
{
    /** Address space. Frames of four thousand pixels a side, a dozen of them on their way, take a quarter of it. */
    public const MEMORY_BYTES = 8 * 1024 * 1024 * 1024;

    /**
     * A command that runs with limits, without a network, and ends when this process does.
     *
     * @param  list<string>  $command
     * @return list<string>
     */
    public static function around(array $command): array
    {
        return [...self::network(), ...self::memory(), ...self::ending(), ...$command];
    }

    /** Whether programs are kept from the network here. */
    public static function hasNoNetwork(): bool
    {
        return self::network() !== [];
    }

    public static function hasLimits(): bool
    {
        return self::memory() !== [];
    }

    /** @return list<string> begins a command that has no network; nothing where the system does not allow that */
    public static function network(): array
    {
        $unshare = ['unshare', ...posix_geteuid() === 0 ? [] : ['--map-root-user'], '--net', '--'];
        static $works = null;
        $works ??= self::runs($unshare);

        return $works ? $unshare : [];
    }

    /** @return list<string> */
    private static function memory(): array
    {
        return self::has('prlimit') ? ['prlimit', '--as='.self::MEMORY_BYTES, '--'] : [];
    }

    /**
     * Outside programs end with the process that started them: a worker that is killed leaves nothing running that holds its
     * locks and writes its files. The last of the three: what changes who a program is forgets it.
     *
     * @return list<string>
     */
    public static function ending(): array
    {
        return self::has('setpriv') ? ['setpriv', '--pdeathsig', 'KILL', '--'] : [];
    }

    private static function has(string $program): bool
    {
        static $found = [];

        return $found[$program] ??= (new ExecutableFinder())->find($program) !== null;
    }

    /** @param  list<string>  $prefix */
    private static function runs(array $prefix): bool
    {
        try {
            return (new Process([...$prefix, 'true'], timeout: 5))->run() === 0;
        } catch (\Throwable) {
            return false;
        }
    }
}
