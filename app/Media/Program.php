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

    /**
     * @param  list<string>  $command
     * @param  (callable(string $text): void)|null  $onOutput  given the standard output as it comes
     * @param  array<string, string>  $environment  beside what this process has
     * @param  float|null  $seconds  it is stopped and has failed after so long; null for never
     * @return array{output: string, log: string} standard output (empty when given to `$onOutput`) and error output
     *
     * @throws ProgramMissing|ProgramFailed|DiskFull
     */
    public static function run(array $command, ?callable $onOutput = null, ?string $input = null, array $environment = [], ?float $seconds = null): array
    {
        $process = new Process($command, env: $environment === [] ? null : $environment, timeout: $seconds);
        $process->setInput($input);
        $output = '';
        try {
            $process->start();
            while ($process->isRunning()) {
                $output .= self::passOn($process->getIncrementalOutput(), $onOutput);
                $process->checkTimeout();
                self::wait();
            }
            $output .= self::passOn($process->getIncrementalOutput(), $onOutput);
        } catch (ProcessTimedOutException) {
            throw ProgramFailed::running($command, -1, "stopped after {$seconds} s");
        } catch (ProcessStartFailedException) {
            throw ProgramMissing::named($command[0]);
        } finally {
            if ($process->isStarted() && $process->isRunning()) {
                $process->stop(self::KILL_AFTER_SECONDS);
            }
        }

        $exit = $process->getExitCode() ?? -1;
        $log = $process->getErrorOutput();
        if ($exit === self::COMMAND_NOT_FOUND) {
            throw ProgramMissing::named($command[0]);
        }
        if ($exit !== 0) {
            throw str_contains($log, 'No space left on device')
                ? DiskFull::writing('the film')
                : ProgramFailed::running($command, $exit, $log);
        }

        return ['output' => $output, 'log' => $log];
    }

    /** Gives way: to the other pieces of work in a Workshop, or else to the machine. */
    public static function wait(): void
    {
        if (\Fiber::getCurrent() !== null) {
            \Fiber::suspend();
        } else {
            usleep(self::POLL_MICROSECONDS);
        }
    }

    private static function passOn(string $text, ?callable $onOutput): string
    {
        if ($onOutput === null || $text === '') {
            return $text;
        }
        $onOutput($text);

        return '';
    }
}
