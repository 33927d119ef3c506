<?php

declare(strict_types=1);

namespace Tests\Core\Kernel;

use OpenReel\Core\Kernel\FolderName;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class FolderNameTest extends TestCase
{
    #[TestWith(['How to read a tide table', 'how-to-read-a-tide-table'])]
    #[TestWith(['  “Ebbe & Flut”: 4.8 m? ', 'ebbe-flut-4-8-m'])]
    #[TestWith(['Prüfung für Größe', 'prufung-fur-grosse'])]
    #[TestWith(['Прилив', 'priliv'])]
    #[TestWith(['../../etc/passwd', 'etc-passwd'])]
    #[TestWith(['🌊', 'lesson'])]
    #[TestWith(['', 'lesson'])]
    #[TestWith(["\xff\x00", 'lesson'])]
    public function test_a_title_names_a_folder_that_is_safe_in_any_address(string $title, string $name): void
    {
        self::assertSame($name, FolderName::of($title, 'lesson'));
    }

    public function test_a_long_one_is_cut_between_words_or_not_but_never_ends_with_a_hyphen(): void
    {
        $name = FolderName::of(str_repeat('abcd ', 30), 'lesson');
        self::assertSame(59, strlen($name));
        self::assertStringEndsWith('abcd', $name);
    }
}
