<?php

declare(strict_types=1);

namespace Tests\Core\Architecture;

use PHPUnit\Framework\TestCase;

/** docs/architecture.md says where rules are: each class it names is there, once, and so is every class in its prose. */
final class RuleTableTest extends TestCase
{
    private string $page;

    /** @var array<string, list<string>> files of our classes, by name */
    private array $classes = [];

    protected function setUp(): void
    {
        $base = dirname(__DIR__, 3);
        $this->page = (string) file_get_contents("{$base}/docs/architecture.md");
        foreach (['core', 'app', 'tests'] as $tree) {
            $all = new \RecursiveIteratorIterator(
                new \RecursiveDirectoryIterator("{$base}/{$tree}", \FilesystemIterator::SKIP_DOTS),
            );
            /** @var \SplFileInfo $file */
            foreach ($all as $file) {
                $file->getExtension() === 'php' && $this->classes[$file->getBasename('.php')][] = $file->getPathname();
            }
        }
    }

    public function test_each_rule_is_in_classes_that_are_there(): void
    {
        $table = explode('## ', explode('## Where is the rule for...', $this->page)[1])[0];
        preg_match_all('/^\| (?!rule )([^|]+) \| ([^|]+) \|$/m', $table, $rows, PREG_SET_ORDER);
        self::assertGreaterThanOrEqual(30, count($rows));
        foreach ($rows as [, $rule, $named]) {
            preg_match_all('/`(\w+)`/', $named, $classes);
            self::assertNotSame([], $classes[1], $rule);
            self::assertLessThanOrEqual(2, count($classes[1]), $rule);
            foreach ($classes[1] as $class) {
                self::assertCount(1, $this->classes[$class] ?? [], "{$rule}: {$class}");
            }
        }
    }

    public function test_every_class_it_speaks_of_is_there(): void
    {
        preg_match_all('/`([A-Z]\w*[a-z]\w*)(?:::\w+)?`/', $this->page, $found);
        self::assertGreaterThan(30, count($found[1]));
        self::assertSame([], array_values(array_diff(array_unique($found[1]), array_keys($this->classes))));
    }
}
