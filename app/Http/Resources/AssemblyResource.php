<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Media\PieceRenderer;
use App\Media\VoiceCleaner;
use App\Queries\Takes\CleanedVoice;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Assembly\Shot;
use OpenReel\Core\Assembly\SilenceFound;
use OpenReel\Core\Assembly\WordFrames;
use OpenReel\Core\Film\FilmPlan;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Render\PicturePieces;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Render\TransitionSpec;
use OpenReel\Core\Script\SpeedCue;
use OpenReel\Core\Sound\GainSearch;
use OpenReel\Core\Soundtrack\ComputerSound;
use OpenReel\Core\Soundtrack\MusicClip;
use OpenReel\Core\Soundtrack\SoundPlan;
use OpenReel\Core\Take\TakeView;

/**
 * The assembly as the browser plays it: the same frames and rectangles that the export is made from.
 *
 * @property FilmPlan $resource
 */
final class AssemblyResource extends JsonResource
{
    /** @param  string|null  $unreadBecause  why the stand-in voice has not read what is still to be read */
    public function __construct(FilmPlan $plan, private readonly ?string $unreadBecause = null)
    {
        parent::__construct($plan);
    }

    /**
     * Nothing in it is left out on conditions, so it need not be searched for that.
     *
     * @return array<string, mixed>
     */
    public function resolve($request = null): array
    {
        return $this->toArray($request);
    }

    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        $assembly = $this->resource->assembly;

        return [
            'fps' => $assembly->rate->fps,
            'frames' => $assembly->frames(),
            'fade_in' => $assembly->fadeIn,
            'fade_out' => $assembly->fadeOut,
            'length_ms' => $assembly->length()->milliseconds(),
            'segments' => array_map($this->segment(...), $assembly->segments),
            'music' => $assembly->music === [] ? [] : array_map(self::bed(...), $this->resource->sound()->beds),
            'silences' => self::silences($this->resource->silences),
            'idle_cues' => $this->idle(),
            'missing' => array_map(fn (SectionInput $s): string => $s->id, $assembly->missing),
            'sections' => $this->sections($assembly->segments),
            // Sections of which nothing has to be rendered any more.
            'unread' => $this->resource->unread,
            'unread_because' => $this->unreadBecause,
            'rendered' => $this->sections($assembly->segments) - $this->sections($this->unmade()),
        ];
    }

    /** @return list<array{section_id: string, number: int, says: string}> cues that do nothing where they stand, and why */
    private function idle(): array
    {
        $all = [];
        foreach ($this->resource->idle as $section => $numbers) {
            foreach ($numbers as $number) {
                $all[] = ['section_id' => $section, 'number' => $number, 'says' => SpeedCue::IDLE];
            }
        }

        return $all;
    }

    /**
     * @param  array<string, list<SilenceFound>>  $silences  by section
     * @return list<array{section_id: string, line: string|null, word: int, length_ms: int, screen: bool}>
     */
    private static function silences(array $silences): array
    {
        $all = [];
        foreach ($silences as $section => $of) {
            foreach ($of as $one) {
                $all[] = [
                    'section_id' => (string) $section,
                    'line' => $one->line,
                    'word' => $one->word,
                    'length_ms' => $one->length->milliseconds(),
                    'screen' => $one->hasScreen,
                ];
            }
        }

        return $all;
    }

    /** @return array<string, mixed> places in samples of the film, and of the file where it goes round */
    private static function bed(MusicClip $place): array
    {
        return [
            'name' => $place->bed->name,
            'url' => "/api/music/{$place->file()}",
            'at' => $place->at,
            'until' => $place->until,
            'round' => $place->loops ? ['from' => $place->bed->loopFrom, 'until' => $place->bed->samples] : null,
            'loud' => $place->loud->points,
        ];
    }

    /** @return list<Segment> of which some piece of picture is still to be made */
    private function unmade(): array
    {
        $maker = app(PieceRenderer::class);
        $unmade = [];
        foreach (PicturePieces::bySegment($this->resource->assembly) as $n => $pieces) {
            if (array_filter($pieces, fn (ShotSpec|TransitionSpec $p): bool => ! $maker->has($p)) !== []) {
                $unmade[] = $this->resource->assembly->segments[$n];
            }
        }

        return $unmade;
    }

    /** @param  list<Segment>  $segments */
    private function sections(array $segments): int
    {
        return count(array_unique(array_map(fn (Segment $s): string => $s->sectionId, $segments)));
    }

    /** @return array<string, mixed> */
    private function segment(Segment $segment): array
    {
        $take = $segment->passage?->take;
        $voice = $take?->track(TrackKind::Microphone);
        $isDraft = $take->content->isDraft ?? false;
        $played = $take?->track(TrackKind::Camera) ?? $voice ?? $take?->track(TrackKind::Screen);

        return [
            'section_id' => $segment->sectionId,
            'position' => $segment->position,
            'title' => $segment->title,
            'start_frame' => $segment->startFrame,
            'frames' => $segment->frames,
            'join' => $segment->join->toArray(),
            'take_id' => $isDraft ? null : $take?->id,
            'take_number' => $isDraft ? null : $take?->number,
            'draft' => $isDraft,
            'lines' => $segment->passage->lines ?? [],
            'words' => self::words(WordFrames::of($segment, $this->resource->texts)),
            'map' => $segment->map?->toArray(),
            'offset_ticks' => $played === null ? 0 : -$played->fileAt(Tick::zero()),
            'media_url' => match (true) {
                $take === null => null,
                $isDraft => "/api/draft-voices/{$voice?->hash}",
                default => "/api/takes/{$take->id}/media?v=".substr($played->hash ?? '', 0, 8),
            },
            'beside' => $take === null ? [] : self::alongside($take, $this->resource->target - $this->resource->computerUnder),
            'clicks' => SoundPlan::clickFrames($segment),
            'silences' => SoundPlan::silentFrames($segment),
            'gain_db' => GainSearch::start($this->resource->target, $voice?->loudness)->gain,
            'shots' => array_map(fn (Shot $shot): array => [
                'offset' => $shot->offset, 'frames' => $shot->frames, 'picture' => PictureResource::of($shot->picture),
            ], $segment->shots),
        ];
    }

    /**
     * @param  array<string, list<int>>  $frames  by line
     * @return list<array{line: string, frames: list<int>}>
     */
    private static function words(array $frames): array
    {
        return array_map(
            fn (string $line, array $of): array => ['line' => $line, 'frames' => $of],
            array_map(strval(...), array_keys($frames)),
            array_values($frames),
        );
    }

    /**
     * What runs beside the take's own media: its screen, the computer's sound, and the cleaned voice, heard in place of its own.
     *
     * @return list<array{kind: string, url: string, offset_ticks: int, gain_db: float}>
     */
    private static function alongside(TakeView $take, float $level): array
    {
        $beside = [];
        foreach ([TrackKind::Screen, TrackKind::Computer] as $kind) {
            $track = $take->track($kind);
            if ($track === null) {
                continue;
            }
            $beside[] = [
                'kind' => $kind->value,
                'url' => "/api/takes/{$take->id}/tracks/{$kind->value}?v=".substr($track->hash, 0, 8),
                'offset_ticks' => -$track->fileAt(Tick::zero()),
                'gain_db' => $kind === TrackKind::Computer
                    ? ComputerSound::at($level, $track->hash, 0, $track->loudness)->gain
                    : 0.0,
            ];
        }

        $cleaned = $take->content->cleanVoice === null ? null : app(VoiceCleaner::class)->find($take->content->cleanVoice);
        $voice = $take->track(TrackKind::Microphone);
        if ($take->content->cleanVoice !== null && $voice !== null && $cleaned !== null) {
            $beside[] = [
                'kind' => 'voice',
                'url' => CleanedVoice::url($take->id, $take->content->cleanVoice),
                'offset_ticks' => -$voice->fileAt(Tick::zero()),
                'gain_db' => 0.0,
            ];
        }

        return $beside;
    }
}
