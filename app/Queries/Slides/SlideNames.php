<?php

declare(strict_types=1);

namespace App\Queries\Slides;

use App\Models\Lesson;

/** Names by which cues can call slides: short, without brackets, and no two the same in a lesson. */
final class SlideNames
{
    private const LONGEST = 60;

    /** @param  array<string, true>  $taken  in lower case */
    private function __construct(private array $taken)
    {
    }

    public static function of(Lesson $lesson): self
    {
        return new self(
            array_fill_keys($lesson->slides()->pluck('name')->map(fn (string $n): string => mb_strtolower($n))->all(), true),
        );
    }

    /** The name as it was wished, or with a number behind it; it is taken from then on. */
    public function free(string $wish): string
    {
        $wish = trim((string) preg_replace('/[\[\]\s\p{C}]+/u', ' ', mb_scrub($wish, 'UTF-8')));
        $base = mb_strlen($wish) > self::LONGEST ? rtrim(mb_substr($wish, 0, self::LONGEST - 1)).'…' : $wish;
        $base = $base === '' ? 'Slide' : $base;
        for ($name = $base, $number = 2; isset($this->taken[mb_strtolower($name)]); $number++) {
            $name = "{$base} {$number}";
        }
        $this->taken[mb_strtolower($name)] = true;

        return $name;
    }
}
