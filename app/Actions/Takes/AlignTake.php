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
use App\Queries\Takes\TakeEvents;
use App\Queries\Takes\TakeLevels;
use App\Work\AlignmentProgress;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Alignment\AlignedWord;
use OpenReel\Core\Alignment\Alignment;
use OpenReel\Core\Alignment\AlignmentReport;
use OpenReel\Core\Alignment\AlignmentRequest;
use OpenReel\Core\Alignment\Attempt;
use OpenReel\Core\Alignment\ExpectedLine;
use OpenReel\Core\Alignment\Selection;
use OpenReel\Core\Analysis\SpeechChecks;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Script\SpeakingTime;
use OpenReel\Core\Script\Spoken;
use OpenReel\Core\Take\AlignmentResult;
use OpenReel\Core\Take\AlignmentStatus;
use OpenReel\Core\Take\ResultStage;
use OpenReel\Core\Take\SpeechFlag;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\Verdict;

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
        private readonly TakeEvents $events,
        private readonly KeepResult $results,
        private readonly RefreshPrompterTimes $prompter,
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
            $this->results->alignment($take, new AlignmentResult(
                self::isTooLong($take) ? AlignmentStatus::Unsure : AlignmentStatus::Nothing,
            ));

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
        $sure = $take->results()->where('stage', ResultStage::Alignment)->where('result->status', AlignmentStatus::Sure->value);
        $wasSure = $sure->exists();
        $later = Tick::of(max(0, $voice->offset_ticks));
        $used = Selection::of($heard, Tick::of($voice->length_ticks), $this->levels->of($take));
        $this->media->write(
            $take->folder().'/heard.json',
            json_encode(
                self::words(array_column($take->lines, 'id'), $heard, $later), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
            ),
        );
        $report = new AlignmentReport($take->spokenLines(), $heard, $used, $later);
        $isSure = $report->status() === AlignmentStatus::Sure;
        if (! $isSure && $wasSure) {
            ($this->prompter)($take);
        }
        $flags = $isSure ? array_column($this->flags($take, $voice, $heard, $used), 'value') : [];
        $this->results->alignment($take, $report->result(self::mayPause($take), $flags));
        if (($isSure || $wasSure) && $take->given !== [] && $take->verdict !== Verdict::Kept) {
            $take->update(['given' => GivenCues::of($take, $this->events->of($take))]);
        }
    }

    /** @return list<SpeechFlag> */
    private function flags(Take $take, Track $voice, Alignment $heard, Selection $used): array
    {
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
}
