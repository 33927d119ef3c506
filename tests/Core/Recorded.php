<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Assert;

/**
 * Answers that are kept beside the tests (`tests/fixtures/recorded/`), one a row: what rules make of whole, made-up lessons. Worked
 * examples say what a rule means; these say that nothing else changed. Where a change is meant, `UPDATE_RECORDED=1` keeps them anew,
 * and the difference is read before it is committed.
 */
final class Recorded
{
    /** Decimal places: what sums of floats differ by from one processor to another is not told. */
    private const PLACES = 6;

    /** Longer texts are told by their digest. */
    private const LONG = 800;

    /** @param  iterable<string|int, mixed>  $answers  values and objects of the core, by a name each */
    public static function same(string $name, iterable $answers): void
    {
        $file = dirname(__DIR__)."/fixtures/recorded/{$name}.json";
        $rows = [];
        foreach ($answers as $key => $answer) {
            $json = json_encode(self::plain($answer), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
            $rows[] = json_encode((string) $key).': '.(strlen($json) > self::LONG ? '"sha256:'.hash('sha256', $json).'"' : $json);
        }
        if (getenv('UPDATE_RECORDED') !== false) {
            file_put_contents($file, "{\n".implode(",\n", $rows)."\n}\n");
        }
        $kept = array_slice(explode("\n", (string) file_get_contents($file)), 1, -2);
        // By the row, lest a difference is looked for in a page of them.
        foreach ($rows as $n => $row) {
            Assert::assertSame(rtrim($kept[$n] ?? '', ','), rtrim($row, ','), "recorded/{$name}.json, row ".($n + 2));
        }
        Assert::assertCount(count($rows), $kept);
    }

    /** Values as they are, objects as what they hold, private or not. */
    private static function plain(mixed $value): mixed
    {
        return match (true) {
            is_float($value) => is_finite($value) ? round($value, self::PLACES) + 0.0 : (string) $value,
            is_string($value) => mb_check_encoding($value, 'UTF-8') ? $value : 'sha256:'.hash('sha256', $value),
            is_array($value) => array_map(self::plain(...), $value),
            $value instanceof \UnitEnum => $value->name,
            $value instanceof \Closure => 'closure',
            is_object($value) => self::plain((array) $value === [] ? $value::class : self::held($value)),
            default => $value,
        };
    }

    /** @return array<string, mixed> */
    private static function held(object $value): array
    {
        $held = [];
        for ($class = new \ReflectionClass($value); $class !== false; $class = $class->getParentClass()) {
            foreach ($class->getProperties() as $property) {
                if (! $property->isStatic() && $property->isInitialized($value)) {
                    $held[$property->getName()] ??= $property->getValue($value);
                }
            }
        }

        return $held;
    }
}
