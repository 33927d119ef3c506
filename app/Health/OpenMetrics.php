<?php

declare(strict_types=1);

namespace App\Health;

/** Metrics as text that monitoring programs read (OpenMetrics 1.0, section 3). */
final class OpenMetrics
{
    public const TYPE = 'application/openmetrics-text; version=1.0.0; charset=utf-8';

    /** @param  list<Metric>  $metrics */
    public static function write(array $metrics): string
    {
        $text = '';
        foreach ($metrics as $metric) {
            $type = $metric->onlyGrows ? 'counter' : 'gauge';
            $text .= "# TYPE {$metric->name} {$type}\n";
            $text .= "# HELP {$metric->name} ".self::escaped($metric->says)."\n";
            $name = $metric->name.($metric->onlyGrows ? '_total' : '');
            foreach ($metric->values as [$labels, $value]) {
                $text .= $name.self::labels($labels).' '.self::number($value)."\n";
            }
        }

        return "{$text}# EOF\n";
    }

    /** @param  array<string, string>  $labels */
    private static function labels(array $labels): string
    {
        $said = [];
        foreach ($labels as $name => $value) {
            $said[] = "{$name}=\"".self::escaped($value).'"';
        }

        return $said === [] ? '' : '{'.implode(',', $said).'}';
    }

    private static function escaped(string $text): string
    {
        return strtr($text, ['\\' => '\\\\', "\n" => '\\n', '"' => '\\"']);
    }

    private static function number(int|float $value): string
    {
        return is_int($value) ? (string) $value : (string) json_encode($value, JSON_PRESERVE_ZERO_FRACTION);
    }
}
