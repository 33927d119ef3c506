<?php

declare(strict_types=1);

namespace App\Bench;

/** How much script a first visit loads, and how much the largest room with everything it needs. */
final class InterfaceBench implements Bench
{
    public function figures(string $folder, callable $wanted): iterable
    {
        if (array_filter(['js_gzip_kb', 'js_room_gzip_kb', 'watch_page_kb'], $wanted) === []) {
            return;
        }
        /** @var array<string, array{
         *     file: string, imports?: list<string>, isEntry?: bool, isDynamicEntry?: bool, css?: list<string>,
         *     assets?: list<string>
         * }> $manifest */
        $manifest = json_decode((string) file_get_contents(public_path('build/manifest.json')), true);
        $first = self::packedAll(self::needed($manifest, 'resources/js/app/main.tsx'));
        $most = 0;
        foreach ($manifest as $name => $chunk) {
            if ($chunk['isDynamicEntry'] ?? false) {
                $most = max(
                    $most,
                    self::packedAll([...self::needed($manifest, $name), ...self::needed($manifest, 'resources/js/app/main.tsx')]),
                );
            }
        }
        if ($wanted('js_gzip_kb')) {
            yield 'js_gzip_kb' => [(int) round($first / 1024), '<= 200'];
        }
        if ($wanted('js_room_gzip_kb')) {
            yield 'js_room_gzip_kb' => [(int) round($most / 1024), '-'];
        }
        if ($wanted('watch_page_kb')) {
            $page = $manifest['resources/js/site/watch.ts'];
            // Typefaces are packed already; a browser takes the better of the two forms in which each is offered.
            $faces = array_filter($page['assets'] ?? [], fn (string $f): bool => str_ends_with($f, '.woff2'));
            $bytes = array_sum(array_map(fn (string $f): int => (int) filesize(public_path("build/{$f}")), $faces));
            foreach ([$page['file'], ...$page['css'] ?? []] as $file) {
                $bytes += strlen((string) gzencode((string) file_get_contents(public_path("build/{$file}")), 6));
            }
            yield 'watch_page_kb' => [(int) round($bytes / 1024), '<= 120'];
        }
    }

    /**
     * @param  array<string, array{file: string, imports?: list<string>}>  $manifest
     * @return list<string> files
     */
    private static function needed(array $manifest, string $name): array
    {
        $files = [$manifest[$name]['file']];
        foreach ($manifest[$name]['imports'] ?? [] as $import) {
            array_push($files, ...$import === 'resources/js/app/main.tsx' ? [] : self::needed($manifest, $import));
        }

        return $files;
    }

    private static function packed(string $file): int
    {
        return str_ends_with($file, '.js')
            ? strlen((string) gzencode((string) file_get_contents(public_path("build/{$file}")), 6))
            : 0;
    }

    /** @param  array<int, string>  $files */
    private static function packedAll(array $files): int
    {
        return array_sum(array_map(self::packed(...), array_unique($files)));
    }
}
