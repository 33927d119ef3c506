<?php

declare(strict_types=1);

namespace Tests\Core\Architecture;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Code uses what stands below it and nothing above: docs/architecture.md says in which order folders stand. */
final class FolderOrderTest extends TestCase
{
    #[TestWith(['core', 'OpenReel\Core'])]
    #[TestWith(['app', 'App'])]
    public function test_no_folder_uses_one_that_stands_above_it(string $tree, string $namespace): void
    {
        $order = FolderOrder::documented($tree, $namespace);
        self::assertSame([], $order->unlisted(), 'every folder has its place in the order');
        self::assertSame([], $order->violations());
    }

    public function test_an_arrow_upwards_is_told_with_both_files(): void
    {
        $root = sys_get_temp_dir().'/folder-order-'.bin2hex(random_bytes(6));
        self::put("{$root}/Low/Tick.php", 'namespace Tree\Low; use Tree\High\Film; final class Tick {}');
        self::put("{$root}/Low/Span.php", 'namespace Tree\Low; final class Span { public ?\Tree\High\Film $film; }');
        self::put("{$root}/Low/Unit.php", "namespace Tree\\Low;\nuse Tree\\High;\nfinal class Unit { public ?High\\Film \$film; }");
        self::put("{$root}/High/Film.php", 'namespace Tree\High; use Tree\Low\Tick; final class Film {}');
        self::put("{$root}/New/Odd.php", 'namespace Tree\New; final class Odd {}');
        try {
            $order = new FolderOrder($root, 'Tree', ['Low', 'High', 'Gone']);
            self::assertSame([
                'Low/Span.php -> High/Film.php: High does not stand before Low',
                'Low/Tick.php -> High/Film.php: High does not stand before Low',
                'Low/Unit.php -> High/Film.php: High does not stand before Low',
            ], $order->violations());
            self::assertSame(['New', 'Gone'], $order->unlisted());
        } finally {
            array_map(unlink(...), glob("{$root}/*/*.php") ?: []);
            array_map(rmdir(...), [...glob("{$root}/*") ?: [], $root]);
        }
    }

    private static function put(string $path, string $code): void
    {
        is_dir(dirname($path)) || mkdir(dirname($path), recursive: true);
        file_put_contents($path, "<?php {$code}");
    }
}
