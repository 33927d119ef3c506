<?php

declare(strict_types=1);

namespace App\Media;

use Symfony\Component\Process\Exception\ProcessStartFailedException;
use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;

/** Runs an outside program without a shell, letting other work go on while it waits. */
final class Program
{
    private const COMMAND_NOT_FOUND = 127;

    private const POLL_MICROSECONDS = 4_000;

    private const KILL_AFTER_SECONDS = 2;

    /** Bytes: no answer that is read whole is longer. */
    private const MOST_OUTPUT = 32 * 1024 * 1024;

    /** Bytes of what it complains of that are kept. */
    private const MOST_LOG = 1024 * 1024;

    /** What a program ends with that was told or made to stop from outside: SIGKILL, SIGTERM, and ffmpeg's own answer to it. */
    private const KILLED = [137, 143, 255];

    /** Begins a row of the log: what a file says of itself is set in, and does not count. */
    private const DISK_FULL = '/^\S.*No space left on device/m';

    /**
     * @param  list<string>  $command
     * @param  (callable(string $text): void)|null  $onOutput  given the standard output as it comes
     * @param  array<string, string>  $environment  beside what this process has
     * @param  float|null  $seconds  it is stopped and has failed after so long; null for never
     * @return array{output: string, log: string} standard output (empty when given to `$onOutput`) and error output
     *
     * @throws ProgramMissing|ProgramKilled|ProgramFailed|DiskFull
     */
    public static function run(
        array $command,
        ?callable $onOutput = null,
        ?string $input = null,
        array $environment = [],
        ?float $seconds = null,
    ): array {
        $process = new Process(Sandbox::around($command), env: $environment === [] ? null : $environment, timeout: $seconds);
        $process->setInput($input);
        $output = $log = '';
        try {
            $process->start();
            while ($process->isRunning()) {
                $output .= self::passOn($process, $onOutput);
                $log = self::more($process, $log);
                if (strlen($output) > self::MOST_OUTPUT) {
                    throw ProgramFailed::saidTooMuch($command);
                }
                $process->checkTimeout();
                self::wait();
            }
            $output .= self::passOn($process, $onOutput);
            $log = self::more($process, $log);
        } catch (ProcessTimedOutException) {
            throw ProgramFailed::tookTooLong($command, (float) $seconds);
        } catch (ProcessStartFailedException) {
            throw ProgramMissing::named($command[0]);
        } finally {
            if ($process->isStarted() && $process->isRunning()) {
                $process->stop(self::KILL_AFTER_SECONDS);
            }
        }

        $exit = $process->getExitCode() ?? -1;
        if ($exit === self::COMMAND_NOT_FOUND) {
            throw ProgramMissing::named($command[0]);
        }
        // The encoder may notice a full disk only while closing a file, and end as if all were well.
        if (preg_match(self::DISK_FULL, $log) === 1) {
            throw DiskFull::writing('the film');
        }
        if (in_array($exit, self::KILLED, true)) {
            throw ProgramKilled::running($command, $exit);
        }
        if ($exit !== 0) {
            throw ProgramFailed::running($command, $exit, $log);
        }

        return ['output' => $output, 'log' => $log];
    }

    /** Gives way: to the other pieces of work in a FiberPool, or else to the machine. */
    public static function wait(): void
    {
        if (\Fiber::getCurrent() !== null) {
            \Fiber::suspend();
        } else {
            usleep(self::POLL_MICROSECONDS);
        }
    }

    /** @param  (callable(string $text): void)|null  $onOutput */
    private static function passOn(Process $process, ?callable $onOutput): string
    {
        $text = $process->getIncrementalOutput();
        $process->clearOutput();
        if ($onOutput === null || $text === '') {
            return $text;
        }
        $onOutput($text);

        return '';
    }

    /** What a damaged file makes a program complain of has no end; what counts is said last. */
    private static function more(Process $process, string $log): string
    {
        $more = $process->getIncrementalErrorOutput();
        $process->clearErrorOutput();

        return substr($log.$more, -self::MOST_LOG);
    }
}
