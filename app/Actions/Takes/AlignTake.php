<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Events\LessonChanged;
use App\Media\AlignmentCache;
use App\Media\MediaStore;
use App\Media\WorkLock;
use App\MediaJobs\AlignSoundJob;
use App\Models\Take;
use App\Models\Track;
use App\Queries\Lessons\LessonStyle;
use App\Queries\Script\LearnedPace;
use App\Queries\Takes\PauseTightening;
use App\Queries\Takes\TakeLevels;
use App\Queries\Takes\TakeReader;
use App\Work\AlignmentProgress;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Alignment\AlignedWord;
use OpenReel\Core\Alignment\Alignment;
use OpenReel\Core\Alignment\AlignmentRequest;
use OpenReel\Core\Alignment\Attempt;
use OpenReel\Core\Alignment\ExpectedLine;
use OpenReel\Core\Alignment\Selection;
use OpenReel\Core\Alignment\WordPlaces;
use OpenReel\Core\Analysis\SpeechChecks;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Script\SpeakingTime;
use OpenReel\Core\Script\Spoken;
use OpenReel\Core\Take\AlignmentStatus;
use OpenReel\Core\Take\Event\TakeEvent;
use OpenReel\Core\Take\EventLog;
use OpenReel\Core\Take\SpeechFlag;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\Verdict;
use OpenReel\Core\Take\WordAnchor;

/**
 * Hears which lines a take speaks, where, and what of it is worth using. When that is not sure, or nothing whole was heard, the
 * take stays as the prompter's times have it.
 */
final class AlignTake
{
    /** Bytes; a sentence of five minutes has some four thousand. */
    private const LONGEST_LINE = 20_000;

    public function __construct(
        private readonly AlignmentCache $sounds,
        private readonly TakeLevels $levels,
        private readonly MediaStore $media,
    ) {
    }

    /**
     * @param  callable(float): mixed|null  $progress  told how much is done, 0..1
     * @return bool false when another machine listens to it now, and will ask for this again
     *
     * @throws \App\Media\InfrastructureFailure
     */
    public function __invoke(Take $take, ?callable $progress = null): bool
    {
        $voice = $take->track(TrackKind::Microphone);
        $order = $this->order($take, $voice);
        if ($take->state !== TakeState::Ready || $voice === null || $order === null) {
            $take->update(['hearing' => self::isTooLong($take) ? AlignmentStatus::Unsure : AlignmentStatus::Nothing]);

            return true;
        }
        $lock = WorkLock::tryFor(AlignSoundJob::lockOf($this->sounds->key($order)));
        if ($lock === null) {
            return false;
        }
        try {
            $heard = $this->sounds->hear($order, (string) $voice->file_path, $progress);
        } finally {
            $lock->release();
        }
        $take->refresh();
        if ($take->state !== TakeState::Ready || $take->track(TrackKind::Microphone)?->hash !== $order->sound) {
            // It was read again meanwhile, and will be heard again.
            return true;
        }
        $this->keep($take, $voice, $heard);
        $take->section->touch();
        if ($take->verdict === Verdict::Kept) {
            LessonChanged::dispatch($take->section->lesson_id);
        }

        return true;
    }

    /** Has other machines listen to it, where there are some. */
    public function offer(Take $take): void
    {
        $voice = $take->track(TrackKind::Microphone);
        $order = AlignSoundJob::isWanted() ? $this->order($take, $voice) : null;
        if ($order !== null && $voice !== null) {
            AlignSoundJob::dispatch(
                $order->toArray(), $this->sounds->key($order), (string) $voice->file_path, AlignmentProgress::key($take->id),
            );
        }
    }

    /** @return AlignmentRequest|null null when there is nothing to be heard */
    private function order(Take $take, ?Track $voice): ?AlignmentRequest
    {
        if ($take->lines === [] || $voice?->file_path === null || self::isTooLong($take)) {
            return null;
        }
        $language = LessonStyle::of($take->lesson())->language;

        return new AlignmentRequest((string) $voice->hash, self::lines($take, $language), $language);
    }

    /** Whether something that is called a line is none that anybody could say: it stays where the prompter had it. */
    private static function isTooLong(Take $take): bool
    {
        return array_filter($take->lines, fn (array $l): bool => strlen($l['text']) > self::LONGEST_LINE) !== [];
    }

    /** @return list<ExpectedLine> */
    private static function lines(Take $take, Language $language): array
    {
        $sections = DB::table('lines')->whereIn('id', array_column($take->lines, 'id'))->pluck('section_id', 'id');
        $lines = [];
        $before = null;
        foreach ($take->lines as $line) {
            $section = $sections[$line['id']] ?? $before;
            $lines[] = new ExpectedLine($line['text'], Spoken::of($line['text'], $language), $section !== $before);
            $before = $section;
        }

        return $lines;
    }

    private function keep(Take $take, Track $voice, Alignment $heard): void
    {
        $later = Tick::of(max(0, $voice->offset_ticks));
        $ids = array_column($take->lines, 'id');
        $used = Selection::of($heard, Tick::of($voice->length_ticks), $this->levels->of($take));
        $this->media->write(
            $take->folder().'/heard.json',
            json_encode(self::words($ids, $heard, $later), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
        );
        $take->heard = self::told($ids, $heard, $later);
        $take->hearing = $heard->isSure() && $used->order !== [] ? AlignmentStatus::Sure : AlignmentStatus::Unsure;
        if ($take->hearing === AlignmentStatus::Sure) {
            $take->flawed = array_map(fn (int $line): string => $ids[$line], $used->flawed($heard, self::mayPause($take)));
            $take->tightened = PauseTightening::of($take, LessonStyle::of($take->lesson())->longestPause);
            $this->use($take, $used, $later);
        } else {
            $this->forget($take, $later);
        }
        $take->flags = array_values(array_unique([
            ...array_diff($take->flags, array_column(SpeechFlag::cases(), 'value')),
            ...array_column($this->flags($take, $voice, $heard, $used), 'value'),
        ]));
        $take->save();
    }

    /** Heard otherwise before, in another language perhaps: that does not count any more, and the prompter's times do. */
    private function forget(Take $take, Tick $voiceFrom): void
    {
        $levels = $take->spoken === null ? null : $this->levels->of($take);
        if ($levels === null) {
            $take->fill(['spoken' => null, 'left' => [], 'flawed' => [], 'tightened' => []]);
            $take->used_ticks = TakeReader::usedTicks($take);

            return;
        }
        $events = $this->events($take);
        PrompterTimes::put($take, $levels, $voiceFrom, $events);
        if ($take->given !== [] && $take->verdict !== Verdict::Kept) {
            $take->given = GivenCues::of($take, $events);
        }
    }

    /** @return list<TakeEvent> none of a take that came from elsewhere without a log */
    private function events(Take $take): array
    {
        $log = $take->folder().'/events.jsonl';

        return EventLog::read($this->media->exists($log) ? (string) file_get_contents($this->media->path($log)) : '');
    }

    /** @return list<SpeechFlag> */
    private function flags(Take $take, Track $voice, Alignment $heard, Selection $used): array
    {
        if ($take->hearing !== AlignmentStatus::Sure) {
            return [];
        }
        $texts = array_column($take->lines, 'text');
        $all = array_sum(array_map(SpeakingTime::ofText(...), $texts));
        $said = array_sum(array_map(fn (int $line): int => SpeakingTime::ofText($texts[$line]), $used->order));
        // What was left out took no time to say.
        $expected = (int) round($take->expected_ms * ($all === 0 ? 1 : $said / $all));
        $pace = LearnedPace::of($take->lesson());

        return SpeechChecks::of(
            $heard,
            $used,
            count($texts),
            $voice->length_ticks,
            // Nobody knows yet how fast this presenter usually speaks.
            $pace->isLearned() ? (int) round(Tick::ofMilliseconds($expected)->count * $pace->factor) : 0,
            self::mayPause($take),
        );
    }

    /** While a screen is shown, nobody need speak. */
    private static function mayPause(Take $take): bool
    {
        return $take->silence_ms > 0 || $take->track(TrackKind::Screen) !== null;
    }

    private function use(Take $take, Selection $used, Tick $later): void
    {
        $ids = array_column($take->lines, 'id');
        $cuts = $starts = $reached = [];
        foreach ($used->order as $line) {
            $read = $used->reads[$line];
            $cuts[$ids[$line]] = $used->spans[$line]->from->plus($later)->count;
            $starts[$ids[$line]] = $read->span->from->plus($later);
            array_push($reached, ...WordPlaces::of($ids[$line], $take->lines[$line]['text'], $read, $later));
        }
        $last = $used->order[count($used->order) - 1];
        $take->fill([
            'spoken' => array_map(fn (int $line): string => $ids[$line], $used->order),
            'speech_from' => $used->spans[$used->order[0]]->from->plus($later)->count,
            // What was written behind the last word is meant to be seen, see IngestTake.
            'speech_until' => max(
                $used->spans[$last]->until->plus($later)->count,
                $take->marks === [] ? 0 : (int) $take->speech_until,
            ),
            'left' => self::stretches($used->left, $later),
            'line_ticks' => array_map(fn (Tick $t): int => $t->count, $starts),
            'cut_ticks' => $cuts,
            'reached' => array_map(
                fn (WordAnchor $r): array => ['line' => $r->line, 'within' => $r->within, 'at' => $r->at->count],
                $reached,
            ),
        ]);
        $take->used_ticks = TakeReader::usedTicks($take);
        if ($take->given !== [] && $take->verdict !== Verdict::Kept) {
            $take->given = GivenCues::of($take, $this->events($take));
        }
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, mixed>
     */
    private static function told(array $ids, Alignment $heard, Tick $later): array
    {
        return [
            'confidence' => $heard->confidence,
            'reads' => array_map(
                fn (Attempt $r): array => [
                    $ids[$r->line],
                    $r->kind->value,
                    $r->span->from->plus($later)->count,
                    $r->span->until->plus($later)->count,
                    $r->confidence,
                ],
                $heard->reads,
            ),
            'unscripted' => self::stretches($heard->unscripted, $later),
            'pauses' => self::stretches($heard->pauses, $later),
            'missing' => array_map(fn (int $line): string => $ids[$line], $heard->missing(count($ids))),
        ];
    }

    /**
     * @param  list<string>  $ids
     * @return list<array{line: string, words: list<array{string, int, int}>}> of each read its words, with ticks from and until
     */
    private static function words(array $ids, Alignment $heard, Tick $later): array
    {
        return array_map(
            fn (Attempt $r): array => [
                'line' => $ids[$r->line],
                'words' => array_map(
                    fn (AlignedWord $w): array => [
                        $w->word,
                        $w->span->from->plus($later)->count,
                        $w->span->until->plus($later)->count,
                    ],
                    $r->words,
                ),
            ],
            $heard->reads,
        );
    }

    /**
     * @param  list<Span>  $spans
     * @return list<array{int, int}>
     */
    private static function stretches(array $spans, Tick $later): array
    {
        return array_map(
            fn (Span $s): array => [$s->from->plus($later)->count, $s->until->plus($later)->count],
            $spans,
        );
    }
}
