<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Media\MediaStore;
use App\Models\Take;
use App\Queries\Takes\TakeFindings;
use App\Work\AlignmentProgress;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\AlignmentResult;
use OpenReel\Core\Take\SpeechFlag;

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
        $found = TakeFindings::of($this->resource);
        $heard = $found->alignment;
        $words = $heard === null ? [] : $this->words();
        $attempts = [];
        foreach ($heard->attempts ?? [] as $i => $attempt) {
            $attempts[] = ['line' => $attempt->line, 'kind' => $attempt->kind->value] + self::stretch($attempt->span) + [
                'confidence' => $attempt->confidence,
                'words' => array_map(
                    fn (array $word): array => ['word' => $word[0]] + self::between((int) $word[1], (int) $word[2]),
                    $words[$i]['words'] ?? [],
                ),
            ];
        }
        $places = array_intersect_key(
            ($found->analysis->places ?? []) + self::places($heard), array_flip($this->summary->flags),
        );

        return [
            'state' => $heard?->status->value,
            'progress' => $heard === null ? AlignmentProgress::of($this->id) : null,
            'confidence' => $heard->confidence ?? 0.0,
            'attempts' => $attempts,
            'unscripted' => array_map(self::stretch(...), $heard->unscripted ?? []),
            'pauses' => array_map(self::stretch(...), $heard->pauses ?? []),
            'missing' => $heard->missing ?? [],
            // Where what is flagged is heard or seen best.
            'places' => array_map(self::stretch(...), $places) ?: new \stdClass,
            'voice_db' => $found->analysis?->voice,
            'noise_db' => $found->analysis?->noise,
            'hum_hz' => $found->analysis?->hum,
        ];
    }

    /** @return array<string, Span> by flag */
    private static function places(?AlignmentResult $heard): array
    {
        $attempts = $heard->attempts ?? [];

        return array_filter([
            SpeechFlag::Unscripted->value => self::longest($heard->unscripted ?? []),
            SpeechFlag::LongPause->value => self::longest($heard->pauses ?? []),
            SpeechFlag::CutOffStart->value => ($attempts[0] ?? null)?->span,
            SpeechFlag::CutOffEnd->value => $attempts === [] ? null : $attempts[count($attempts) - 1]->span,
        ]);
    }

    /** @param  list<Span>  $spans */
    private static function longest(array $spans): ?Span
    {
        return array_reduce(
            $spans,
            fn (?Span $most, Span $s): Span => $most === null || $s->length()->count > $most->length()->count ? $s : $most,
        );
    }

    /** @return array<int, array{line: string, words: list<array{string, int, int}>}> */
    private function words(): array
    {
        $media = app(MediaStore::class);
        $file = $this->folder().'/heard.json';

        return $media->exists($file) ? (array) json_decode((string) file_get_contents($media->path($file)), true) : [];
    }

    /** @return array{from_ms: int, until_ms: int} */
    private static function stretch(Span $span): array
    {
        return self::between($span->from->count, $span->until->count);
    }

    /** @return array{from_ms: int, until_ms: int} */
    private static function between(int $from, int $until): array
    {
        return ['from_ms' => Tick::of($from)->milliseconds(), 'until_ms' => Tick::of($until)->milliseconds()];
    }
}
