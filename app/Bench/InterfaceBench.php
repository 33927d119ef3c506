<?php

namespace App\Bench;

/** How much script the first page loads, and the largest room with it. */
final class InterfaceBench implements Bench
{
    public function figures(string $folder, callable $wanted): iterable
    {
        if (! $wanted('js_gzip_kb')) {
            return;
        }
        $bytes = 0;
        foreach (glob(public_path('build/assets/*.js')) ?: [] as $script) {
            $bytes += strlen((string) gzencode((string) file_get_contents($script), 6));
        }

        // All rooms together: more than any visit loads.
        yield 'js_gzip_kb' => [(int) round($bytes / 1024), '<= 250'];
    }
}
