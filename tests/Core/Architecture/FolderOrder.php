<?php

declare(strict_types=1);

namespace Tests\Core\Architecture;

/** Folders in an order in which each may use only those before it, and what breaks it. */
final readonly class FolderOrder
{
    /** @param  list<string>  $folders  the lowest first */
    public function __construct(private string $root, private string $namespace, private array $folders)
    {
    }

    /** @param  string  $tree  `core` or `app`, as a row of the list in docs/architecture.md begins */
    public static function documented(string $tree, string $namespace): self
    {
        $base = dirname(__DIR__, 3);
        $page = (string) file_get_contents("{$base}/docs/architecture.md");
        if (preg_match("#^    {$tree}/: +(.+(?:\n     +\S.*)*)#m", $page, $found) !== 1) {
            throw new \LogicException("docs/architecture.md does not say in which order the folders of {$tree} stand.");
        }

        return new self("{$base}/{$tree}", $namespace, preg_split('/[\s<]+/', trim($found[1])) ?: []);
    }

    /** @return list<string> each as `the file that uses -> the file used: why not` */
    public function violations(): array
    {
        $violations = [];
        foreach ($this->files() as $file => $path) {
            $own = self::folder($file);
            foreach ($this->used($path) as $used) {
                $other = self::folder($used);
                if ($own !== $other && $this->place($own) <= $this->place($other)) {
                    $violations[] = "{$file} -> {$used}: {$other} does not stand before {$own}";
                }
            }
        }

        return $violations;
    }

    /** @return list<string> folders that stand in the tree and not in the order, and the other way round */
    public function unlisted(): array
    {
        $there = array_values(array_unique(array_map(self::folder(...), array_keys($this->files()))));

        return [...array_diff($there, $this->folders, ['']), ...array_diff($this->folders, $there)];
    }

    /** @return array<string, string> path by its name below the root */
    private function files(): array
    {
        $files = [];
        $all = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($this->root, \FilesystemIterator::SKIP_DOTS));
        /** @var \SplFileInfo $file */
        foreach ($all as $file) {
            if ($file->getExtension() === 'php') {
                $files[substr($file->getPathname(), strlen($this->root) + 1)] = $file->getPathname();
            }
        }
        ksort($files);

        return $files;
    }

    /** @return list<string> files below the root whose classes are named, by `use` or in full */
    private function used(string $path): array
    {
        $code = (string) file_get_contents($path);
        preg_match_all('/^use ([\w\\\\]+);$/m', $code, $imports);
        $known = array_combine(array_map(fn (string $n): string => basename(strtr($n, '\\', '/')), $imports[1]), $imports[1]);
        $used = [];
        foreach (\PhpToken::tokenize($code) as $token) {
            $first = strstr($token->text, '\\', true);
            $name = ltrim(isset($known[$first]) ? $known[$first].strstr($token->text, '\\') : $token->text, '\\');
            if ($token->is([T_NAME_QUALIFIED, T_NAME_FULLY_QUALIFIED]) && str_starts_with($name, "{$this->namespace}\\")) {
                $below = str_replace('\\', '/', substr($name, strlen($this->namespace) + 1));
                is_file("{$this->root}/{$below}.php") && $used["{$below}.php"] = true;
            }
        }

        return array_keys($used);
    }

    private function place(string $folder): int
    {
        $place = array_search($folder, $this->folders, true);

        // What stands in no folder is below all of them.
        return $place === false ? -1 : $place;
    }

    private static function folder(string $file): string
    {
        return str_contains($file, '/') ? explode('/', $file)[0] : '';
    }
}
