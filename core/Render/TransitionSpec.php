<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Kernel\CacheKey;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\Ease;
use OpenReel\Core\Picture\Transition;
use OpenReel\Core\Picture\TransitionKind;

/** The picture of a join that is no cut: a small piece of its own, made from both sides. */
final readonly class TransitionSpec
{
    /** Part of every cache key: change it whenever the command changes what comes out. */
    public const VERSION = 2;

    /**
     * @param  non-empty-list<ShotSpec>  $before  the last frames of the segment before
     * @param  non-empty-list<ShotSpec>  $after  the first frames of the segment after
     */
    public function __construct(public Transition $join, public array $before, public array $after)
    {
    }

    public function frames(): int
    {
        return $this->join->frames;
    }

    public function length(): Tick
    {
        return Tick::ofFrames($this->frames(), $this->before[0]->rate);
    }

    /** @return list<ShotSpec> of both sides */
    public function shots(): array
    {
        return [...$this->before, ...$this->after];
    }

    public function key(string $encoder): string
    {
        return CacheKey::of(
            'join',
            [
                'join' => $this->join->toArray(),
                'before' => array_map(fn (ShotSpec $s): array => $s->inputs(), $this->before),
                'after' => array_map(fn (ShotSpec $s): array => $s->inputs(), $this->after),
                'recipe' => self::VERSION,
            ],
            $encoder,
        );
    }

    /**
     * @param  string  $out  path of the MP4 file to write
     * @return list<string> arguments after the program's name
     */
    public function arguments(string $out): array
    {
        $graph = new FilterGraph;
        $before = self::side($graph, $this->before);
        $after = self::side($graph, $this->after);
        $joined = $graph->label();
        $graph->add(match ($this->join->kind) {
            TransitionKind::Dissolve => $this->dissolved($graph, $before, $after),
            TransitionKind::Push => $this->pushed($graph, $before, $after),
            default => $this->dipped($graph, $before, $after),
        }, $joined);

        return [
            ...$graph->inputs(),
            '-filter_complex',
            $graph->text(),
            '-map',
            "[{$joined}]",
            '-frames:v',
            (string) $this->frames(),
            ...PictureEncoding::arguments($this->before[0]->quality),
            $out,
        ];
    }

    private function dissolved(FilterGraph $graph, string $before, string $after): FilterChain
    {
        $mixed = $graph->add(
            FilterChain::from($after)->then('format', 'yuva420p')->then('fade', t: 'in', s: 0, n: $this->join->frames, alpha: 1),
        );

        return FilterChain::from($before, $mixed)->then('overlay', 0, 0, format: 'yuv420', shortest: 1);
    }

    private function pushed(FilterGraph $graph, string $before, string $after): FilterChain
    {
        $frame = $this->before[0]->picture->frame;
        // `overlay` counts frames from 1; on the first of them the other is not seen yet.
        $x = Ease::Soft->expression("min(1,(n-1)/{$this->join->frames})");
        [$beside, $moving] = [$graph->label(), $graph->label()];
        $graph->add(FilterChain::from($before, $after)->then('hstack'), $beside);
        $size = "{$frame->width}x{$frame->height}";
        $graph->add(FilterChain::source('color', c: 'black', s: $size, r: $this->before[0]->rate->fps), $moving);

        return FilterChain::from($moving, $beside)
            ->then('overlay', x: Expression::of("-round({$frame->width}*{$x})"), y: 0, format: 'yuv444', shortest: 1)
            ->then('format', 'yuv420p');
    }

    private function dipped(FilterGraph $graph, string $before, string $after): FilterChain
    {
        $half = $this->join->takenBefore();
        $ground = "0x{$this->before[0]->picture->ground}";
        $fade = fn (string $label, string $way): FilterChain => FilterChain::from($label)
            ->then('fade', t: $way, s: 0, n: $half, color: $ground);
        [$out, $in] = [$graph->label(), $graph->label()];
        $graph->add($fade($before, 'out'), $out);
        $graph->add($fade($after, 'in'), $in);

        return FilterChain::from($out, $in)->then('concat', n: 2, v: 1, a: 0);
    }

    /**
     * @param  non-empty-list<ShotSpec>  $shots
     * @return string label
     */
    private static function side(FilterGraph $graph, array $shots): string
    {
        $labels = array_map(function (ShotSpec $shot) use ($graph): string {
            $label = $graph->label();
            $chain = FilterChain::from(LayerGraph::picture($graph, $shot))
                ->then('trim', end_frame: $shot->frames)
                ->then('setpts', "N/({$shot->rate->fps}*TB)")
                ->then('fps', $shot->rate->fps)
                ->then('setsar', 1);

            return $graph->add($chain, $label);
        }, $shots);

        return count($labels) === 1
            ? $labels[0]
            : $graph->add(FilterChain::from(...$labels)->then('concat', n: count($labels), v: 1, a: 0));
    }
}
