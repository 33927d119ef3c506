<?php

declare(strict_types=1);

namespace App\Health;

use App\People\KeyedHasher;
use Illuminate\Database\Migrations\Migrator;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** Whether the database answers, can be written to and is as this version wants it. */
final class DatabaseCheck implements Check
{
    private const ABOUT = 'database';

    public function look(): array
    {
        return $this->looked(function (): void {
            DB::transaction(fn () => DB::table('migrations')->where('id', 0)->update(['batch' => 0]));
        });
    }

    /**
     * The same without asking for the right to write, for which those wait who record: whether this process could.
     *
     * @return list<Finding>
     */
    public function quickly(): array
    {
        return $this->looked(function (): void {
            $file = (string) DB::connection()->getDatabaseName();
            DB::table('migrations')->limit(1)->get();
            if (is_file($file) && ! (is_writable($file) && is_writable(dirname($file)))) {
                throw new \RuntimeException('this user may not write');
            }
        });
    }

    /**
     * @param  callable(): void  $try  throws when it cannot be used
     * @return list<Finding>
     */
    private function looked(callable $try): array
    {
        try {
            $try();
        } catch (\PDOException|\RuntimeException $e) {
            return [Finding::bad(
                self::ABOUT, 'It cannot be opened or written to.',
                'See that DB_DATABASE names a file that this user may write, and its folder too: '.self::reason($e),
            )];
        }
        $pending = $this->pending();

        if ($pending !== []) {
            $says = count($pending).' changes of its form are missing.';

            return [Finding::bad(self::ABOUT, $says, 'Run php artisan migrate --force.')];
        }

        return [
            Finding::good(self::ABOUT, 'It answers, and is as this version wants it.'),
            ...(config('reel.mode') === 'people' ? self::signIn() : []),
        ];
    }

    /** @return list<Finding> what keeps people from signing in */
    private static function signIn(): array
    {
        $passwords = DB::table('users')->pluck('password');
        if ($passwords->isEmpty()) {
            $todo = 'Add somebody: bin/reel user add E-MAIL --name NAME';

            return [Finding::bad('sign-in', 'There is nobody who may sign in.', $todo)];
        }
        $hasher = Hash::driver('keyed');
        $isKnown = fn (string $hash): bool => ! $hasher instanceof KeyedHasher || $hasher->knows($hash);
        $unknown = $passwords->reject($isKnown)->count();

        // While somebody can sign in, the server works.
        return $unknown === 0 ? [] : [($unknown === $passwords->count() ? Finding::bad(...) : Finding::doubtful(...))(
            'sign-in', "{$unknown} of {$passwords->count()} passwords were kept with another APP_KEY, and let nobody in.",
            'Put the APP_KEY of before into APP_PREVIOUS_KEYS; if it is lost: bin/reel user reset E-MAIL for each of them.',
        )];
    }

    /** @return Finding what SQLite itself finds when it goes through all of the file */
    public function whole(): Finding
    {
        $said = (array) (DB::select('PRAGMA quick_check(1)')[0] ?? []);

        return reset($said) === 'ok'
            ? Finding::good('database file', 'It is whole.')
            : Finding::bad('database file', 'It is damaged.', 'Stop everything and bring back a backup (bin/reel restore).');
    }

    /** @return list<string> */
    private function pending(): array
    {
        $migrator = app('migrator');
        assert($migrator instanceof Migrator);
        $all = array_keys($migrator->getMigrationFiles([database_path('migrations')]));

        return array_values(array_diff($all, $migrator->getRepository()->getRan()));
    }

    private static function reason(\Throwable $e): string
    {
        return (string) preg_replace('/\s*\(.*/s', '', $e->getMessage());
    }
}
