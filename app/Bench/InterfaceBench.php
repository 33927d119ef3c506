<?php

declare(strict_types=1);

namespace App\Bench;

/** How much script a first visit loads, and how much the largest room with everything it needs. */
final class InterfaceBench implements Bench
{
    public function figures(string $folder, callable $wanted): iterable
    {
        if (! $wanted('js_gzip_kb') && ! $wanted('js_room_gzip_kb')) {
            return;
        }
        /** @var array<string, array{file: string, imports?: list<string>, isEntry?: bool, isDynamicEntry?: bool}> $manifest */
        $manifest = json_decode((string) file_get_contents(public_path('build/manifest.json')), true);
        $first = self::packedAll(self::needed($manifest, 'resources/js/main.tsx'));
        $most = 0;
        foreach ($manifest as $name => $chunk) {
            if ($chunk['isDynamicEntry'] ?? false) {
                $most = max(
                    $most,
                    self::packedAll([...self::needed($manifest, $name), ...self::needed($manifest, 'resources/js/main.tsx')]),
                );
            }
        }
        if ($wanted('js_gzip_kb')) {
            yield 'js_gzip_kb' => [(int) round($first / 1024), '<= 200'];
        }
        if ($wanted('js_room_gzip_kb')) {
            yield 'js_room_gzip_kb' => [(int) round($most / 1024), '-'];
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
            array_push($files, ...$import === 'resources/js/main.tsx' ? [] : self::needed($manifest, $import));
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
