<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** A filter graph while it is put together: its inputs, its chains and their labels. */
final class FilterGraph
{
    /** @var list<string> */
    private array $inputs = [];

    private int $count = 0;

    private int $labels = 0;

    /** @var list<string> */
    private array $chains = [];

    /** @return list<string> arguments that name the inputs */
    public function inputs(): array
    {
        return $this->inputs;
    }

    public function text(): string
    {
        return implode(';', $this->chains);
    }

    /** @return int the number of an input that is read with these arguments */
    public function input(string ...$arguments): int
    {
        array_push($this->inputs, ...array_values($arguments));

        return $this->count++;
    }

    /** @return string a label nobody else has */
    public function label(): string
    {
        return 'n'.++$this->labels;
    }

    /** @return string the label on which the chain comes */
    public function add(FilterChain $chain, ?string $label = null): string
    {
        $label ??= $this->label();
        $this->chains[] = $chain->to($label);

        return $label;
    }
}
