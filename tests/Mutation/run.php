<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;
use Tests\Mutation\Mutations;

require __DIR__.'/../../vendor/autoload.php';

/*
 * bin/test mutate [N] [SEED] [FOLDER]: changes the core in N small ways, one at a time, and asks its tests. What no test notices is
 * told: either a test is missing, or the change makes no difference. The same seed makes the same changes.
 */
chdir(__DIR__.'/../..');
[$count, $seed, $folder] = [(int) ($argv[1] ?? 40), (int) ($argv[2] ?? random_int(1, 9999)), trim($argv[3] ?? '', '/')];
$files = array_filter(explode("\n", (string) shell_exec('git ls-files core/'.escapeshellarg($folder))), is_file(...));
$all = array_merge(...array_map(Mutations::of(...), array_values($files)));
$random = new Random\Randomizer(new Random\Engine\Mt19937($seed));
$chosen = array_slice($random->shuffleArray($all), 0, $count);
printf("%d changes of %d in core/%s, seed %d\n", count($chosen), count($all), $folder, $seed);

$test = function (array $mutation, string $mutant, array $tests): Process {
    $class = 'OpenReel\\Core\\'.strtr(substr($mutation['file'], 5, -4), '/', '\\');
    $process = new Process(
        ['vendor/bin/phpunit', '--bootstrap', 'tests/Mutation/bootstrap.php', '--stop-on-defect', '--no-output', ...$tests],
        env: ['MUTANT_CLASS' => $class, 'MUTANT_FILE' => $mutant],
        timeout: 120,
    );
    $process->start();

    return $process;
};
$noticed = function (Process $process): bool {
    try {
        return $process->wait() !== 0;
    } catch (Symfony\Component\Process\Exception\ProcessTimedOutException) {
        // It went round for ever.
        return true;
    }
};
$alive = [];
foreach (array_chunk($chosen, 2) as $pair) {
    $running = [];
    foreach ($pair as $mutation) {
        $mutant = (string) tempnam(sys_get_temp_dir(), 'mutant');
        file_put_contents($mutant, Mutations::applied($mutation));
        // Those of the same folder know best; only where they see nothing are all asked.
        $own = 'tests/'.ucfirst(dirname(strstr($mutation['file'], '/Internal', true) ?: dirname($mutation['file']).'/x'));
        $running[] = [$mutation, $mutant, is_dir($own) ? $test($mutation, $mutant, [$own]) : null];
    }
    foreach ($running as [$mutation, $mutant, $own]) {
        $isNoticed = $own !== null && $noticed($own) || $noticed($test($mutation, $mutant, ['--testsuite', 'core']));
        echo $isNoticed ? '.' : 'A';
        $isNoticed || $alive[] = $mutation;
        unlink($mutant);
    }
}
echo "\n";
foreach ($alive as $mutation) {
    printf("%s:%d  %s  became  %s\n", $mutation['file'], $mutation['line'], $mutation['was'], $mutation['now']);
}
printf("%d of %d noticed\n", count($chosen) - count($alive), count($chosen));
exit(count($alive) * 10 > count($chosen) ? 1 : 0);
