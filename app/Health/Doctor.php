<?php

declare(strict_types=1);

namespace App\Health;

use App\Work\QueueName;

/** All that can be looked at in an installation. */
final class Doctor
{
    public function __construct(
        private readonly SettingsCheck $settings,
        private readonly ProgramsCheck $programs,
        private readonly DatabaseCheck $database,
        private readonly DiskCheck $disk,
        private readonly SharedDiskCheck $shared,
        private readonly FilesCheck $files,
        private readonly WorkersCheck $workers,
        private readonly WebServerCheck $web,
    ) {
    }

    /** @return list<Finding> */
    public function everything(): array
    {
        $found = [...$this->settings->look(), ...$this->programs->look(), ...$this->web->look(), ...$this->disk->look()];
        $shared = $this->shared->look();
        $database = $this->database->look();
        if ($database[0]->verdict === Severity::Bad) {
            // What stands in it cannot be asked for.
            return [...$found, ...$shared, ...$database];
        }
        // Nor whether files are there that nobody can reach.
        $files = self::worst($shared) === Severity::Bad ? [] : $this->files->look();

        return [...$found, ...$shared, ...$database, $this->database->whole(), ...$files, ...$this->workers->look()];
    }

    /** @return list<Finding> what is known at once, and without which nobody can record or hand over */
    public function quickly(): array
    {
        $found = [...$this->disk->look(), ...$this->shared->look(), ...$this->database->quickly()];
        if (Doctor::worst($found) === Severity::Bad) {
            return $found;
        }

        return [...$found, $this->workers->ofQueue(QueueName::Ingest), $this->workers->ofQueue(QueueName::Main)];
    }

    /** @param  list<Finding>  $found */
    public static function worst(array $found): Severity
    {
        $verdicts = array_column($found, 'verdict');

        return match (true) {
            in_array(Severity::Bad, $verdicts, true) => Severity::Bad,
            in_array(Severity::Doubtful, $verdicts, true) => Severity::Doubtful,
            default => Severity::Good,
        };
    }
}
