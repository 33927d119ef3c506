<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Jobs\HearTakesJob;
use App\Media\MediaStore;
use App\Models\Take;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\Cache;
use OpenReel\Core\Time\Tick;

/**
 * What was heard in a take, with every word.
 *
 * @mixin Take
 */
final class HeardResource extends JsonResource
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
            'progress' => $this->hearing === null ? Cache::get(HearTakesJob::progressKey($this->id)) : null,
            'confidence' => $heard['confidence'],
            'reads' => $reads,
            'unscripted' => array_map(fn (array $s): array => self::stretch(...$s), $heard['unscripted']),
            'pauses' => array_map(fn (array $s): array => self::stretch(...$s), $heard['pauses']),
            'missing' => $heard['missing'],
        ];
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
