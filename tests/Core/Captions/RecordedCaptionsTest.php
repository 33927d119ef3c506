<?php

declare(strict_types=1);

namespace Tests\Core\Captions;

use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\CaptionScript;
use OpenReel\Core\Captions\CaptionSegmenter;
use OpenReel\Core\Captions\EditedCaption;
use OpenReel\Core\Captions\EditedCaptions;
use OpenReel\Core\Captions\TimedText;
use OpenReel\Core\Captions\TimedTextReader;
use OpenReel\Core\Captions\TimedWord;
use OpenReel\Core\Captions\Translation;
use OpenReel\Core\Captions\Translations;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Style\HouseStyle;
use PHPUnit\Framework\TestCase;
use Tests\Core\MadeUp;
use Tests\Core\Recorded;

/** Long speeches cut into captions, set by hand here and there, translated and brought in again. */
final class RecordedCaptionsTest extends TestCase
{
    public function test_speeches_are_cut_as_they_were(): void
    {
        $made = new MadeUp(14);
        $answers = [];
        foreach (range(1, 20) as $round) {
            $words = $this->words($made);
            $rate = FrameRate::of($made->one(FrameRate::OFFERED));
            $set = $this->set($made, CaptionSegmenter::of($words, $rate));
            $captions = CaptionSegmenter::of($words, $rate, $set);
            $answers["speech {$round}"] = array_map(fn (Caption $c): array => [
                $c->rows, $c->from->count, $c->until->count, $c->isChecked, $c->problem(), $c->isToFill(), $c->said(), count($c->words),
            ], $captions);
            $answers["speech {$round}, set"] = [EditedCaptions::among($words, $set), EditedCaptions::gone($words, $set)];
            $answers["speech {$round}, put off"] = count($captions) < 2 ? null : [
                $captions[0]->endLater($captions[1], 1), $captions[0]->endLater($captions[1], -1), $captions[0]->endLater($captions[1], 90),
                $captions[1]->before([new EditedCaption($words[0]->line, 0, 'gone'), new EditedCaption('l1', 3, 'gone too')]),
            ];
            $known = array_map(
                fn (Caption $c): Translation => Translation::of($c, "({$c->text()})"),
                array_filter($captions, fn (): bool => $made->oneIn(2)),
            );
            $there = TimedTextReader::parse(TimedText::webVtt($captions));
            $answers["speech {$round}, translated"] = [
                Translations::texts($captions, array_values($known)), Translations::captions($captions, array_values($known)),
                Translations::placed($captions, $made->shuffled(array_slice($there, 0, 4)) ?: $there),
            ];
        }
        foreach ([0, 59_990, 60_000, 3_599_999, 3_725_678] as $ms) {
            $late = [new Caption(['Late', 'rows {x}'], Tick::ofMilliseconds($ms), Tick::ofMilliseconds($ms + 1_505))];
            $answers["at {$ms} ms"] = [
                CaptionScript::write(
                    $late, FrameSize::of(1280, 720), HouseStyle::of(['caption_look' => 'outline', 'caption_size' => 'large']),
                ),
                TimedText::webVtt($late), TimedText::subRip($late),
            ];
        }
        Recorded::same('captions', $answers);
    }

    public function test_files_of_others_are_read_as_they_were(): void
    {
        $made = new MadeUp(15);
        $answers = [];
        foreach (range(1, 20) as $round) {
            $file = $made->one(["WEBVTT\n\n", "\xEF\xBB\xBFWEBVTT - tides\n\nNOTE made up\n\n", '']);
            for ($n = 1, $at = 0; $n < 9; $n++) {
                $time = fn (int $ms): string => sprintf(
                    $made->oneIn(3) ? '%02d:%02d:%02d,%03d' : '%02d:%02d:%02d.%03d', intdiv($ms, 3_600_000), intdiv($ms, 60_000) % 60,
                    intdiv($ms, 1_000) % 60, $ms % 1_000,
                );
                $from = $at + $made->between(0, 2_000_000);
                $at = $from + $made->between(-300, 9_000_000);
                $file .= ($made->oneIn(2) ? "{$n}\n" : '')."{$time($from)} --> {$time(max(0, $at))} align:start\n"
                    .$made->one(['<b>Low</b> &amp; high', "two\nrows", '', "caf\xE9", '{\an8}up', '<00:00:01.000><c>word</c>'])."\n\n";
            }
            $answers["file {$round}"] = TimedTextReader::parse($file);
        }
        Recorded::same('timed-text', $answers);
    }

    /** @return list<TimedWord> */
    private function words(MadeUp $made): array
    {
        $words = [];
        $at = $made->between(0, 40_000);
        foreach (range(1, $made->between(2, 9)) as $line) {
            foreach (explode(' ', $made->sentence($made->between(1, 26))) as $number => $word) {
                $until = $at + 2_400 * strlen($word) + $made->between(0, 9_000);
                $words[] = new TimedWord($word, Tick::of($at), Tick::of($until), "l{$line}", $number);
                $at = $until + ($made->oneIn(9) ? $made->between(5_000, 120_000) : 0);
            }
            $at += $made->between(0, 90_000);
        }

        return $words;
    }

    /**
     * @param  list<Caption>  $captions
     * @return list<EditedCaption>
     */
    private function set(MadeUp $made, array $captions): array
    {
        $set = [];
        foreach ($captions as $caption) {
            if ($made->oneIn(4) && $caption->words !== []) {
                $set[] = $caption->set($made->one([null, ['Another'], ['Two', 'rows'], []]), $made->oneIn(2));
            }
        }

        return $set;
    }
}
