<?php

declare(strict_types=1);

namespace Tests\Core\Script;

use OpenReel\Core\Script\SearchWords;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SearchWordsTest extends TestCase
{
    #[DataProvider('asked')]
    public function test_whatever_is_typed_asks_for_words(string $typed, ?string $query): void
    {
        self::assertSame($query, SearchWords::query($typed));
    }

    /** @return array<string, array{string, string|null}> */
    public static function asked(): array
    {
        return [
            'words' => ['high water', '"high"* "water"*'],
            'a number with its unit' => ['4.8 m', '"4"* "8"* "m"*'],
            'what the search has a meaning for' => ['NEAR("a" b) OR -c * ^d', '"NEAR"* "a"* "b"* "OR"* "c"* "d"*'],
            'letters with marks, other scripts' => ['Höhe Приливы 潮', '"Höhe"* "Приливы"* "潮"*'],
            'no word' => ['"*-()', null],
            'nothing' => ['', null],
            'broken bytes' => ["tide \xFF", '"tide"*'],
            'very many' => [str_repeat('a ', 100), implode(' ', array_fill(0, 12, '"a"*'))],
        ];
    }
}
