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
        $graph = new LayerGraph();
        $before = self::side($graph, $this->before);
        $after = self::side($graph, $this->after);
        $joined = $graph->label();
        if ($this->join->kind === TransitionKind::Dissolve) {
            $mixed = $graph->label();
            $graph->chain("[{$after}]format=yuva420p,fade=t=in:s=0:n={$this->join->frames}:alpha=1[{$mixed}]");
            $graph->chain("[{$before}][{$mixed}]overlay=0:0:format=yuv420:shortest=1[{$joined}]");
        } elseif ($this->join->kind === TransitionKind::Push) {
            $frame = $this->before[0]->picture->frame;
            // `overlay` counts frames from 1; on the first of them the other is not seen yet.
            $x = Ease::Soft->expression("min(1,(n-1)/{$this->join->frames})");
            [$beside, $moving] = [$graph->label(), $graph->label()];
            $graph->chain("[{$before}][{$after}]hstack[{$beside}]");
            $graph->chain("color=c=black:s={$frame->width}x{$frame->height}:r={$this->before[0]->rate->fps}[{$moving}]");
            $place = "x='-round({$frame->width}*{$x})':y=0";
            $graph->chain("[{$moving}][{$beside}]overlay={$place}:format=yuv444:shortest=1,format=yuv420p[{$joined}]");
        } else {
            $half = $this->join->takenBefore();
            $ground = $this->before[0]->picture->ground;
            [$out1, $in] = [$graph->label(), $graph->label()];
            $graph->chain("[{$before}]fade=t=out:s=0:n={$half}:color=0x{$ground}[{$out1}]");
            $graph->chain("[{$after}]fade=t=in:s=0:n={$half}:color=0x{$ground}[{$in}]");
            $graph->chain("[{$out1}][{$in}]concat=n=2:v=1:a=0[{$joined}]");
        }

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

    /**
     * @param  non-empty-list<ShotSpec>  $shots
     * @return string label
     */
    private static function side(LayerGraph $graph, array $shots): string
    {
        $labels = array_map(function (ShotSpec $shot) use ($graph): string {
            $label = $graph->label();
            $graph->chain(
                "[{$graph->picture(
                    $shot,
                )}]trim=end_frame={$shot->frames},setpts=N/({$shot->rate->fps}*TB),fps={$shot->rate->fps},setsar=1[{$label}]",
            );

            return $label;
        }, $shots);
        if (count($labels) === 1) {
            return $labels[0];
        }
        $whole = $graph->label();
        $graph->chain(
            implode('', array_map(fn (string $l): string => "[{$l}]", $labels)).
                'concat=n='.
                count($labels).
                ":v=1:a=0[{$whole}]",
        );

        return $whole;
    }
}
