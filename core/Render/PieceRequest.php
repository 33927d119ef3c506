<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/**
 * A piece of picture to be made, in plain values: what any machine needs that shares the media disk, whatever version of the
 * program planned it. It is made by the encoder version it was planned for, or not at all.
 */
final readonly class PieceRequest
{
    /** What stands in the arguments for the file to be written. */
    private const OUT = '@out@';

    /**
     * @param  string  $kind  `shot` or `join`
     * @param  string  $key  its name in the cache
     * @param  string  $encoder  version
     * @param  list<string>  $arguments  of the encoder, with tokens for files (see PieceFiles)
     * @param  list<string>  $files  hashes of the files it is made from
     * @param  array<string, string>  $drawings  SVG texts by their hash
     * @param  array<string, string>  $scripts  subtitle scripts by their hash
     */
    private function __construct(
        public string $kind,
        public string $key,
        public string $encoder,
        private array $arguments,
        public int $frames,
        public array $files,
        public array $drawings,
        public array $scripts,
    ) {
    }

    public static function of(ShotSpec|TransitionSpec $spec, string $encoder): self
    {
        $shots = $spec instanceof ShotSpec ? [$spec] : $spec->shots();
        $named = function (array $texts): array {
            $texts = array_merge([], ...$texts);

            return array_combine(array_map(PieceFiles::name(...), $texts), $texts);
        };

        return new self(
            $spec instanceof ShotSpec ? 'shot' : 'join',
            $spec->key($encoder),
            $encoder,
            $spec instanceof ShotSpec ? ShotCommand::arguments($spec, self::OUT) : $spec->arguments(self::OUT),
            $spec instanceof ShotSpec ? $spec->frames : $spec->frames(),
            array_values(array_unique(array_merge([], ...array_map(fn (ShotSpec $s): array => $s->files(), $shots)))),
            $named(array_map(fn (ShotSpec $s): array => $s->drawings(), $shots)),
            $named(array_map(fn (ShotSpec $s): array => $s->scripts(), $shots)),
        );
    }

    /** @param  array<string, mixed>  $order  as `toArray` gives it */
    public static function parse(array $order): self
    {
        return new self(
            $order['kind'],
            $order['key'],
            $order['encoder'],
            $order['arguments'],
            $order['frames'],
            $order['files'],
            $order['drawings'],
            $order['scripts'],
        );
    }

    /**
     * @return array{kind: string, key: string, encoder: string, arguments: list<string>, frames: int, files: list<string>,
     *     drawings: array<string, string>, scripts: array<string, string>}
     */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind,
            'key' => $this->key,
            'encoder' => $this->encoder,
            'arguments' => $this->arguments,
            'frames' => $this->frames,
            'files' => $this->files,
            'drawings' => $this->drawings,
            'scripts' => $this->scripts,
        ];
    }

    /**
     * @param  array<string, string>  $paths  of files, drawings and scripts, by hash
     * @param  string  $out  path of the file to write
     * @return list<string> arguments after the encoder's name
     */
    public function arguments(array $paths, string $out): array
    {
        return array_map(fn (string $a): string => $a === self::OUT ? $out : $a, PieceFiles::placed($this->arguments, $paths));
    }
}
