<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/**
 * Filters of the encoder that follow each other, from inputs to a label, as filter graphs have them: `[in]a=1:b=2,c[out]`.
 * What is written into an argument stays one argument, whatever letters it has (ffmpeg-filters, "Notes on filtergraph escaping").
 *
 * @example FilterChain::from(0)->then('scale', 640, 360, flags: 'lanczos')->to('out') is `[0:v]scale=640:360:flags=lanczos[out]`
 */
final readonly class FilterChain
{
    /** @param  list<string>  $filters  as they are written */
    private function __construct(private string $inputs, private array $filters)
    {
    }

    /** @param  int|string  ...$inputs  number of an input, whose picture is taken; or a label */
    public static function from(int|string ...$inputs): self
    {
        return new self(
            implode('', array_map(fn (int|string $in): string => is_int($in) ? "[{$in}:v]" : "[{$in}]", $inputs)),
            [],
        );
    }

    /** A chain that begins with a filter that makes its pictures itself. */
    public static function source(string $filter, string|int|Expression ...$arguments): self
    {
        return (new self('', []))->then($filter, ...$arguments);
    }

    /** @param  string|int|Expression  ...$arguments  in order, or by name */
    public function then(string $filter, string|int|Expression ...$arguments): self
    {
        $written = [];
        foreach ($arguments as $name => $argument) {
            $written[] = (is_int($name) ? '' : "{$name}=").self::argument($argument);
        }

        return new self($this->inputs, [...$this->filters, $filter.($written === [] ? '' : '='.implode(':', $written))]);
    }

    /** @param  string  $filters  written already, parted by commas; none for the empty text */
    public function with(string $filters): self
    {
        return $filters === '' ? $this : new self($this->inputs, [...$this->filters, $filters]);
    }

    public function to(string $label): string
    {
        return $this->inputs.implode(',', $this->filters)."[{$label}]";
    }

    /** A text as the value of an option inside a filter graph, which is read twice. */
    public static function escaped(string $text): string
    {
        return addcslashes(addcslashes($text, "\\':"), "\\',;[]");
    }

    private static function argument(string|int|Expression $argument): string
    {
        return $argument instanceof Expression ? $argument->quoted() : self::escaped((string) $argument);
    }
}
