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

$start = function (array $mutation, string $mutant, array $tests): Process {
    $class = 'OpenReel\\Core\\'.strtr(substr($mutation['file'], 5, -4), '/', '\\');
    $process = new Process(
        [
            PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit=tracing', '-d', 'opcache.jit_buffer_size=64M',
            'vendor/bin/phpunit', '--bootstrap', 'tests/Mutation/bootstrap.php', '--stop-on-defect', '--no-output', ...$tests,
        ],
        env: ['MUTANT_CLASS' => $class, 'MUTANT_FILE' => $mutant],
        timeout: 120,
    );
    $process->start();

    return $process;
};
/** Null while it is still asked. */
$isNoticed = function (Process $process): ?bool {
    try {
        $process->checkTimeout();
    } catch (Symfony\Component\Process\Exception\ProcessTimedOutException) {
        // It went round for ever.
        return true;
    }

    return $process->isRunning() ? null : $process->getExitCode() !== 0;
};
$alive = $asked = [];
$waiting = $chosen;
while ($waiting !== [] || $asked !== []) {
    while ($waiting !== [] && count($asked) < 2) {
        $mutation = array_shift($waiting);
        $mutant = (string) tempnam(sys_get_temp_dir(), 'mutant');
        file_put_contents($mutant, Mutations::applied($mutation));
        // Those of the same folder know best, then whole films; only where they see nothing are all asked.
        $own = 'tests/'.ucfirst(dirname(strstr($mutation['file'], '/Internal', true) ?: dirname($mutation['file']).'/x'));
        $tests = [...is_dir($own) ? [[$own]] : [], ['tests/Core/Film'], ['--testsuite', 'core']];
        $asked[] = ['process' => $start($mutation, $mutant, array_shift($tests))] + compact('mutation', 'mutant', 'tests');
    }
    foreach ($asked as $n => ['process' => $process, 'mutation' => $mutation, 'mutant' => $mutant, 'tests' => $tests]) {
        $noticed = $isNoticed($process);
        if ($noticed === false && $tests !== []) {
            $asked[$n] = ['process' => $start($mutation, $mutant, array_shift($tests)), 'tests' => $tests] + $asked[$n];
        } elseif ($noticed !== null) {
            echo $noticed ? '.' : 'A';
            $noticed || $alive[] = $mutation;
            unlink($mutant);
            unset($asked[$n]);
        }
    }
    usleep(20_000);
}
echo "\n";
foreach ($alive as $mutation) {
    printf("%s:%d  %s  became  %s\n", $mutation['file'], $mutation['line'], $mutation['was'], $mutation['now']);
}
printf("%d of %d noticed\n", count($chosen) - count($alive), count($chosen));
exit(count($alive) * 10 > count($chosen) ? 1 : 0);
