<?php

declare(strict_types=1);

namespace Tests\Core\Style;

use OpenReel\Core\Style\FilmName;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FilmNameTest extends TestCase
{
    private const VALUES = [
        'course' => 'Reading the Water', 'number' => 3, 'title' => 'Springs & neaps: "why?"', 'date' => '2026-05-01',
        'version' => 2,
    ];

    /** @param  list<string>  $more */
    #[DataProvider('patterns')]
    public function test_a_pattern_makes_a_name_that_every_disk_takes(string $pattern, array $more, string $name): void
    {
        self::assertSame($name, FilmName::of($pattern, self::VALUES, $more, 'mp4'));
    }

    /** @return array<string, array{string, list<string>, string}> */
    public static function patterns(): array
    {
        return [
            'the title' => ['{title}', [], 'Springs & neaps why.mp4'],
            'all of it' => ['{course} {number} - {title} ({date}, v{version})', [],
                'Reading the Water 3 - Springs & neaps why (2026-05-01, v2).mp4'],
            'what tells it from others' => ['{title}', ['High water', '720p'], 'Springs & neaps why , High water, 720p.mp4'],
            'nothing' => ['', [], 'Springs & neaps why.mp4'],
            'only separators' => [' - ', [], 'Springs & neaps why.mp4'],
            'a folder above' => ['../{number}', [], '3.mp4'],
            'an unknown name stays' => ['{teacher} {number}', [], '{teacher} 3.mp4'],
        ];
    }

    public function test_what_is_not_there_leaves_no_separators(): void
    {
        self::assertSame('Tides.mp4', FilmName::of('{course} - {number} - {title}', ['title' => 'Tides'], [], 'mp4'));
        self::assertSame(
            'Tides - 2026.mp4',
            FilmName::of('{title} - {course} - {date}', ['title' => 'Tides', 'date' => '2026'], [], 'mp4'),
        );
    }

    public function test_names_that_mean_nothing_are_told(): void
    {
        self::assertSame(['teacher', ''], FilmName::unknown('{title} {teacher} {}'));
        self::assertSame([], FilmName::unknown('{course} {number} {title} {date} {version}'));
    }
}
