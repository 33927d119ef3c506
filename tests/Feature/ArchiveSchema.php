<?php

declare(strict_types=1);

namespace Tests\Feature;

/**
 * What the schema of archives allows and what it does not, for every value of a manifest that it sets limits to.
 *
 * @phpstan-type Edge array{at: list<string|int>, within: list<mixed>, beyond: list<mixed>}
 */
final class ArchiveSchema
{
    /** @var array<string, mixed> */
    private readonly array $schema;

    public function __construct()
    {
        $this->schema = json_decode((string) file_get_contents(resource_path('schemas/archive-2.json')), true);
    }

    /**
     * @param  mixed  $manifest  decoded, objects as objects
     * @return list<Edge> by where the value stands: the last values that are allowed, and the first that are not
     */
    public function edges(mixed $manifest): array
    {
        return $this->of($manifest, $this->schema, []);
    }

    /**
     * @param  list<string|int>  $at
     * @param  mixed  $manifest  changed in place, as it holds objects
     */
    public static function put(mixed &$manifest, array $at, mixed $value): void
    {
        $last = array_pop($at);
        $place = &$manifest;
        foreach ($at as $step) {
            if (is_object($place)) {
                $place = &$place->{$step};
            } else {
                $place = &$place[$step];
            }
        }
        is_object($place) ? $place->{$last} = $value : $place[$last] = $value;
    }

    /**
     * @param  array<string, mixed>  $rule
     * @param  list<string|int>  $at
     * @return list<Edge>
     */
    private function of(mixed $value, array $rule, array $at): array
    {
        $rule = $this->meant($rule, $value);
        $found = $at === [] ? [] : [self::edge($value, $rule, $at)];
        if (is_object($value)) {
            foreach (get_object_vars($value) as $name => $inner) {
                $next = $rule['properties'][$name] ?? $rule['additionalProperties'] ?? false;
                is_array($next) && array_push($found, ...$this->of($inner, $next, [...$at, $name]));
            }
        } elseif (is_array($value) && isset($rule['items'])) {
            foreach (array_slice($value, 0, 3) as $n => $inner) {
                array_push($found, ...$this->of($inner, $rule['items'], [...$at, $n]));
            }
        }

        return array_values(array_filter($found, fn (array $one): bool => [...$one['within'], ...$one['beyond']] !== []));
    }

    /**
     * @param  array<string, mixed>  $rule
     * @return array<string, mixed> without references, and of several the one that is meant
     */
    private function meant(array $rule, mixed $value): array
    {
        if (isset($rule['$ref'])) {
            return $this->meant($this->schema['definitions'][basename($rule['$ref'])], $value);
        }
        $choices = array_map(fn (array $one): array => $this->meant($one, $value), $rule['oneOf'] ?? []);
        $somethings = array_filter($choices, fn (array $one): bool => ($one['type'] ?? null) !== 'null');
        if ($value !== null && $somethings !== []) {
            // Where it may be of several kinds, another kind is nothing wrong.
            return [...array_values($somethings)[0], 'several' => count($somethings) > 1];
        }

        return $rule;
    }

    /**
     * @param  array<string, mixed>  $rule
     * @param  list<string|int>  $at
     * @return Edge
     */
    private static function edge(mixed $value, array $rule, array $at): array
    {
        $within = $beyond = [];
        if (is_int($value) || is_float($value)) {
            $step = in_array('integer', (array) ($rule['type'] ?? []), true) ? 1 : 0.001;
            foreach (['minimum' => -1, 'maximum' => 1] as $limit => $outward) {
                if (isset($rule[$limit])) {
                    $within[] = $rule[$limit];
                    $beyond[] = $rule[$limit] + $outward * $step;
                }
            }
            array_push($beyond, 1e308, [1]);
        }
        if (is_string($value)) {
            if (isset($rule['maxLength']) && ! isset($rule['pattern'])) {
                $within[] = str_repeat('é', $rule['maxLength']);
                $beyond[] = str_repeat('é', $rule['maxLength'] + 1);
                $within[] = str_repeat('x', $rule['minLength'] ?? 0);
            }
            isset($rule['enum']) && array_push($within, ...array_filter($rule['enum'], is_string(...)));
            if (isset($rule['enum']) || isset($rule['pattern'])) {
                array_push($beyond, "{$value}\u{0}", "{$value}\n", '../../database');
            }
            $beyond[] = ['x'];
            ($rule['several'] ?? false) || $beyond[] = 7;
        }
        if (is_bool($value)) {
            array_push($within, true, false);
            $beyond[] = 'yes';
        }
        if (is_array($value) && isset($rule['maxItems'])) {
            count($value) >= ($rule['minItems'] ?? 0) && $rule['maxItems'] <= 2_000 && $value !== []
                && $beyond[] = array_fill(0, $rule['maxItems'] + 1, $value[0]);
            ($rule['minItems'] ?? 0) === 0 && $within[] = [];
            $beyond[] = 'a list';
        }
        if (is_object($value) && ($rule['additionalProperties'] ?? null) === false) {
            $beyond[] = (object) [...get_object_vars($value), 'more' => 1];
        }

        return ['at' => $at, 'within' => $within, 'beyond' => $beyond];
    }
}
