<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Health\Doctor;
use App\Health\Finding;
use App\Health\Severity;
use Illuminate\Console\Command;

final class DoctorCommand extends Command
{
    protected $signature = 'reel:doctor {--json : print what was found as JSON}';

    protected $description = 'Look for what is wrong with this installation, and say what to do';

    private const MARKS = ['good' => 'ok   ', 'doubtful' => 'look ', 'bad' => 'WRONG'];

    public function handle(Doctor $doctor): int
    {
        $found = $doctor->everything();
        if ($this->option('json')) {
            $this->line((string) json_encode(
                array_map(fn (Finding $one): array => $one->toArray(), $found),
                JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
            ));
        } else {
            foreach ($found as $one) {
                $this->line(sprintf('%s  %-16s %s', self::MARKS[$one->verdict->value], $one->about, $one->says));
                if ($one->todo !== '') {
                    $this->line(str_repeat(' ', 24).$one->todo);
                }
            }
        }

        return Doctor::worst($found) === Severity::Bad ? self::FAILURE : self::SUCCESS;
    }
}
