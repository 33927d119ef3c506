<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Media\MediaStore;
use App\Models\Take;
use App\Work\AlignmentProgress;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenReel\Core\Kernel\Tick;

/**
 * What was heard in a take, with every word.
 *
 * @mixin Take
 */
final class AlignmentResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        $heard = $this->heard ?? ['confidence' => 0.0, 'reads' => [], 'unscripted' => [], 'pauses' => [], 'missing' => []];
        $words = $this->words();
        $reads = [];
        foreach ($heard['reads'] as $i => [$line, $kind, $from, $until, $confidence]) {
            $reads[] = ['line' => $line, 'kind' => $kind] + self::stretch($from, $until) + [
                'confidence' => $confidence,
                'words' => array_map(
                    fn (array $word): array => ['word' => $word[0]] + self::stretch($word[1], $word[2]),
                    $words[$i]['words'] ?? [],
                ),
            ];
        }

        return [
            'state' => $this->hearing?->value,
            'progress' => $this->hearing === null ? AlignmentProgress::of($this->id) : null,
            'confidence' => $heard['confidence'],
            'reads' => $reads,
            'unscripted' => array_map(fn (array $s): array => self::stretch(...$s), $heard['unscripted']),
            'pauses' => array_map(fn (array $s): array => self::stretch(...$s), $heard['pauses']),
            'missing' => $heard['missing'],
            // Where what is flagged is heard or seen best.
            'places' => array_map(fn (array $s): array => self::stretch(...$s), $this->places($heard)) ?: new \stdClass,
            'voice_db' => $this->inspected['voice'] ?? null,
            'noise_db' => $this->inspected['noise'] ?? null,
            'hum_hz' => $this->inspected['hum'] ?? null,
        ];
    }

    /**
     * @param  array<string, mixed>  $heard
     * @return array<string, array{int, int}> by flag
     */
    private function places(array $heard): array
    {
        $longest = fn (array $stretches): ?array => array_reduce(
            $stretches,
            fn (?array $most, array $s): array => $most === null || $s[1] - $s[0] > $most[1] - $most[0] ? $s : $most,
        );
        $ends = $heard['reads'] === [] ? [] : [
            'cut-off-start' => [$heard['reads'][0][2], $heard['reads'][0][3]],
            'cut-off-end' => [end($heard['reads'])[2], end($heard['reads'])[3]],
        ];

        return array_intersect_key(
            ($this->inspected['places'] ?? []) +
                array_filter(['unscripted' => $longest($heard['unscripted']), 'long-pause' => $longest($heard['pauses'])]) +
                $ends,
            array_flip($this->flags),
        );
    }

    /** @return array<int, array{line: string, words: list<array{string, int, int}>}> */
    private function words(): array
    {
        $media = app(MediaStore::class);
        $file = $this->folder().'/heard.json';

        return $this->heard !== null && $media->exists($file)
            ? (array) json_decode((string) file_get_contents($media->path($file)), true)
            : [];
    }

    /** @return array{from_ms: int, until_ms: int} */
    private static function stretch(int $from, int $until): array
    {
        return ['from_ms' => Tick::of($from)->milliseconds(), 'until_ms' => Tick::of($until)->milliseconds()];
    }
}
