<?php

declare(strict_types=1);

namespace App\Health;

use App\People\OwnAddress;

/** Whether PHP and the settings are as they should be. */
final class SettingsCheck implements Check
{
    private const EXTENSIONS = ['pdo_sqlite', 'sqlite3', 'gd', 'zip', 'curl', 'intl', 'mbstring', 'dom', 'pcntl'];

    public function look(): array
    {
        $lacking = array_values(array_filter(self::EXTENSIONS, fn (string $one): bool => ! extension_loaded($one)));
        $findings = [
            $lacking === []
                ? Finding::good('PHP', PHP_VERSION.', with all that is needed.')
                : Finding::bad('PHP', 'It lacks '.implode(', ', $lacking).'.', 'Run bin/setup, which installs them.'),
            (string) config('app.key') !== ''
                ? Finding::good('secret', 'This server has one.')
                : Finding::bad('secret', 'APP_KEY is empty.', 'Run php artisan key:generate.'),
            is_file(public_path('build/manifest.json'))
                ? Finding::good('interface', 'It is built.')
                : Finding::bad('interface', 'It is not built.', 'Run bin/setup.'),
            $this->who(),
            ...config('reel.mode') === 'people' ? $this->links() : [],
        ];
        if (config('app.debug')) {
            $findings[] = Finding::bad(
                'debugging', 'Faults are shown to whoever meets them, with what the server knows.', 'Set APP_DEBUG=false.',
            );
        }
        if (! is_writable(storage_path('framework')) || ! is_writable(storage_path('logs'))) {
            $findings[] = Finding::bad('storage', 'Logs or locks cannot be written.', 'Let this user write to storage/.');
        }

        return $findings;
    }

    /** @return list<Finding> what people who sign in miss */
    private function links(): array
    {
        $host = strtolower((string) parse_url(OwnAddress::root(), PHP_URL_HOST));
        $isOwn = in_array($host, OwnAddress::THIS_MACHINE, true);
        $found = [];
        if ($host === '' || ($isOwn && array_diff((array) config('reel.hosts'), OwnAddress::THIS_MACHINE) !== [])) {
            $found[] = Finding::bad(
                'links', 'Links in mails begin with '.(OwnAddress::root() ?: 'nothing').': others cannot open them.',
                'Set APP_URL to the address at which people open it.',
            );
        }
        if (config('mail.default') === 'log') {
            $found[] = Finding::doubtful(
                'mail', 'None is sent: nobody can choose a new password by themselves, and notices wait in the interface.',
                'Set MAIL_MAILER and what belongs to it, or give new passwords with bin/reel user reset.',
            );
        }

        return $found;
    }

    private function who(): Finding
    {
        $names = array_unique((array) config('reel.hosts'));
        $others = implode(', ', array_diff($names, OwnAddress::THIS_MACHINE));
        if (config('reel.mode') !== 'people') {
            return $others === ''
                ? Finding::good('people', 'One person works here, at this machine.')
                : Finding::doubtful(
                    'people', "It is told to go by {$others}, and answers to this machine only: nobody signs in.",
                    'Set REEL_MODE=people and add them (bin/reel user add), or take the names out.',
                );
        }

        return Finding::good('people', 'People sign in, by the names '.implode(', ', $names).'.');
    }
}
