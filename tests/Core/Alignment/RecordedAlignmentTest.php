<?php

declare(strict_types=1);

namespace Tests\Core\Alignment;

use OpenReel\Core\Alignment\AlignedWord;
use OpenReel\Core\Alignment\Aligner;
use OpenReel\Core\Alignment\Alignment;
use OpenReel\Core\Alignment\AlignmentReport;
use OpenReel\Core\Alignment\Attempt;
use OpenReel\Core\Alignment\ExpectedLine;
use OpenReel\Core\Alignment\Internal\Cepstra;
use OpenReel\Core\Alignment\Internal\Confidence;
use OpenReel\Core\Alignment\Internal\Edges;
use OpenReel\Core\Alignment\Internal\Frames;
use OpenReel\Core\Alignment\Internal\OwnVoice;
use OpenReel\Core\Alignment\Internal\ReferenceLine;
use OpenReel\Core\Alignment\Internal\Rescoring;
use OpenReel\Core\Alignment\Internal\Search;
use OpenReel\Core\Alignment\Internal\SearchHit;
use OpenReel\Core\Alignment\Internal\Spectrum;
use OpenReel\Core\Alignment\Internal\Speech;
use OpenReel\Core\Alignment\Internal\Warp;
use OpenReel\Core\Alignment\Internal\Window;
use OpenReel\Core\Alignment\Selection;
use OpenReel\Core\Alignment\SpokenWords;
use OpenReel\Core\Alignment\WordPlaces;
use OpenReel\Core\Analysis\SpeechChecks;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\AttemptKind;
use OpenReel\Core\Take\SpokenLine;
use PHPUnit\Framework\TestCase;
use Tests\Core\MadeUp;
use Tests\Core\Recorded;

/** Whole takes of made-up sound, heard; and many ways through lines made of few different frames. */
final class RecordedAlignmentTest extends TestCase
{
    private const LINES = ['Find the day.', 'Read the height of low water.', 'And again.', 'Mind the mud, 4 m — 06:42.', 'Row on.'];

    public function test_takes_are_heard_as_they_were(): void
    {
        $says = [
            'stumbling' => [
                'Find the', '', 'Find the day.', 'Read the height of', '', 'zoq xij wuv', '', 'Read the height of low water.', '',
                'And again.', '', 'Row on.', '', 'Mind the',
            ],
        ];
        $answers = [];
        foreach ($says as $name => $texts) {
            $pcm = $this->spoken(new MadeUpVoice(1.22), $texts, 210);
            $told = [];
            $heard = (new Aligner(new MadeUpVoice()))->hear(
                str_split($pcm, 6_400),
                array_map(
                    fn (string $text, int $i): ExpectedLine => new ExpectedLine(
                        $text, strtr($text, ['4 m — 06:42' => 'four metres, six forty-two']), $i === 0,
                    ),
                    self::LINES, array_keys(self::LINES),
                ),
                function (float $part) use (&$told): void {
                    $told[] = $part;
                },
            );
            $used = Selection::of($heard, Tick::of(intdiv(strlen($pcm), 2) * 3));
            $lines = array_map(
                fn (string $text, int $i): SpokenLine => new SpokenLine("l{$i}", $text), self::LINES, array_keys(self::LINES),
            );
            $report = new AlignmentReport($lines, $heard, $used, Tick::of(4_800));
            $speech = Speech::of(Spectrum::read([$pcm]));
            $answers["{$name}, sound"] = [
                $speech->mask, array_map(fn (float $part): float => round($part, 3), $speech->noise),
                array_map(fn (int $n): float => round(array_sum($speech->frames->at($n)), 2), range(0, $speech->count() - 1, 7)),
            ];
            $answers[$name] = $heard;
            $answers["{$name}, used"] = [
                $used, $used->flawed($heard), $used->flawed($heard, true), $used->length(), $report->status(), $heard->missing(5), $told,
                Alignment::parse($heard->toArray()) == $heard,
            ];
            $answers["{$name}, report"] = $report->result(false, ['too-fast']);
            $answers["{$name}, words"] = array_map(
                fn (Attempt $a): array => WordPlaces::of("l{$a->line}", self::LINES[$a->line], $a, Tick::of(4_800)), $heard->reads,
            );
        }
        Recorded::same('alignment', $answers);
    }

    public function test_a_long_take_is_heard_stretch_by_stretch_and_found_again_elsewhere(): void
    {
        $made = new MadeUp(25);
        $lines = array_map(fn (int $n): ExpectedLine => new ExpectedLine(
            $text = implode(' ', array_map(
                fn (): string => implode('', array_map(fn (): string => chr($made->between(97, 122)), range(1, 5))), range(1, 3),
            )).'.', $text, $n % 20 === 0,
        ), range(0, 63));
        $says = [];
        foreach ([...range(0, 5), ...range(40, 46)] as $n) {
            array_push($says, $lines[$n]->spoken, ...array_fill(0, 9, ''));
        }
        $pcm = $this->spoken(new MadeUpVoice(1.05), $says, 165, 200);
        $heard = (new Aligner(new MadeUpVoice()))->hear(str_split($pcm, 64_000), $lines);
        $told = ['length' => strlen($pcm), 'unscripted' => $heard->unscripted, 'confidence' => $heard->confidence];
        foreach ($heard->reads as $n => $read) {
            $told["attempt {$n}"] = [$read->line, $read->kind, $read->span->from->count, $read->span->until->count, $read->confidence];
        }
        Recorded::same('long-take', $told);
    }

    public function test_ways_through_lines_are_found_as_they_were(): void
    {
        $made = new MadeUp(5);
        $letters = [];
        foreach (range('a', 'z') as $letter) {
            $letters[$letter] = array_map(fn (): float => $made->between(-100, 100) / 50, range(1, Cepstra::SIZE));
        }
        $letters[' '] = array_fill(0, Cepstra::SIZE, 0.0);
        $answers = [];
        foreach (range(1, 16) as $round) {
            [$lines, $texts, $number, $says] = [[], [], 0, ''];
            foreach (range(1, $made->between(2, 8)) as $ignored) {
                $text = implode('', array_map(fn (): string => chr($made->between(97, 122)), range(1, $made->between(3, 9))));
                $number += $made->oneIn(10) ? $made->between(2, 30) : 1;
                $frames = [];
                foreach (str_split($text) as $letter) {
                    array_push($frames, ...array_fill(0, 4, $letters[$letter]));
                }
                [$lines[$number], $texts[$number]] = [new ReferenceLine($frames), $text];
                $says .= match ($made->between(0, 7)) {
                    0 => '',
                    1 => substr($text, 0, intdiv(strlen($text) * 2, 3)).'   '.$text,
                    2 => "qzxj {$text}",
                    3 => "{$text} {$text}  ",
                    default => $text.str_repeat(' ', $made->between(0, 5)),
                };
            }
            [$heard, $mask] = [[], ''];
            foreach (str_split($says === '' ? ' ' : $says) as $letter) {
                foreach (range(1, $made->between(3, 6)) as $ignored) {
                    $heard[] = array_map(fn (float $x): float => $x + $made->between(-40, 40) / 100, $letters[$letter]);
                    $mask .= $letter === ' ' ? '0' : '1';
                }
            }
            $speech = new Speech(Frames::of($heard, Cepstra::SIZE), $mask, array_fill(0, Cepstra::SIZE, 0.0));
            $begins = array_slice(array_keys($lines), 0, $made->between(1, count($lines)));
            $window = new Window($texts, $begins, $begins[$made->between(0, min(2, count($begins) - 1))]);
            $found = (new Search(
                $lines, $window, 1.0 + $made->between(-2, 2) / 10, $made->one([0.3, 0.2, 0.12]), $made->one([0.6, 0.3]),
            ))($speech);
            $answers["way {$round}"] = [$found, $speech->pauses()];
            $answers["way {$round}, looked at again"] = [
                Rescoring::at($speech, $found->hits), $found->hits === [] ? null : Rescoring::usual($speech, $found->hits),
                array_map(fn (SearchHit $hit): array => [
                    Rescoring::each($speech, $hit), Edges::of($speech, $hit, max(0, $hit->from - 9), $hit->until + 9),
                    Confidence::of($speech, $hit, array_slice($lines[$hit->line]->frames, 0, $hit->reached + 1)),
                    Warp::path($speech, $lines[$hit->line]->frames, $hit->from, $hit->until),
                ], $found->hits),
                array_map(
                    fn (SearchHit $hit): array => OwnVoice::compare(
                        $speech, $hit->from, min($hit->until, $hit->from + 12), $found->hits[0],
                    ),
                    $found->hits,
                ),
            ];
        }
        foreach (['4 m, at 06:42 — twice.', 'well-known', '£5 & more', ''] as $text) {
            $answers[$text] = [
                SpokenWords::of($text), SpokenWords::offsets($text), SpokenWords::places($text, 'four metres at six forty two twice'),
            ];
        }
        Recorded::same('ways', $answers);
    }

    public function test_what_was_heard_is_used_as_it_was(): void
    {
        $made = new MadeUp(20);
        $answers = [];
        foreach (range(1, 50) as $round) {
            [$reads, $pauses, $unscripted, $line, $at] = [[], [], [], 0, $made->between(0, 40_000)];
            foreach (range(1, $made->between(1, 8)) as $ignored) {
                $until = $at + $made->between(8_000, 120_000);
                $middle = intdiv($at + $until, 2);
                $reads[] = new Attempt(
                    $line, $made->one([AttemptKind::Complete, AttemptKind::Complete, ...AttemptKind::cases()]), self::span($at, $until),
                    [new AlignedWord('Low', self::span($at, $middle)), new AlignedWord('water', self::span($middle, $until))],
                    $made->between(2, 10) / 10,
                );
                $line = max(0, min(5, $line + $made->between(-1, 2)));
                $at = $until + $made->between(0, 20_000);
                $pauses[] = self::span($until, $at);
                if ($made->oneIn(4)) {
                    $unscripted[] = self::span($at, $at + 50_000);
                    $pauses[] = self::span($at + 50_000, $at += $made->between(60_000, 200_000));
                }
            }
            $heard = new Alignment($reads, $unscripted, $pauses, $made->between(3, 10) / 10);
            $length = $at + $made->between(0, 30_000);
            $used = Selection::of($heard, Tick::of($length));
            $texts = array_map(fn (int $n): SpokenLine => new SpokenLine("l{$n}", 'Low water.'), range(0, 5));
            $answers["heard {$round}"] = [
                $used, $used->flawed($heard), $used->flawed($heard, true), $used->length(), $used->holds(self::span(20_000, 30_000)),
                SpeechChecks::of($heard, $used, $made->between(1, 6), $length, $made->one([0, 100_000, 300_000, 900_000]), $made->oneIn(2)),
                $heard->missing(6),
            ];
            $answers["heard {$round}, told"] = (new AlignmentReport(
                $texts, $heard, $used, Tick::of($made->one([0, 900])),
            ))->result($made->oneIn(2), []);
        }
        Recorded::same('selections', $answers);
    }

    public function test_speech_is_told_from_noise_as_it_was(): void
    {
        $made = new MadeUp(21);
        $answers = [];
        foreach ([0, 60, 400, 1_500, 6_000] as $noise) {
            foreach ([1.0, 0.2] as $loud) {
                $pcm = $this->spoken(new MadeUpVoice(), ['Low', '', 'water at', '', 'a', 'sill'], 200, $noise);
                $pcm = pack('v*', ...array_map(
                    fn (int $s): int => ((int) round(
                        $loud * ($s > 32_767 ? $s - 65_536 : $s),
                    )) & 0xFFFF, array_values((array) unpack('v*', $pcm)),
                ));
                $speech = Speech::of(Spectrum::read([$pcm]));
                $answers["noise {$noise}, {$loud}"] = [
                    $speech->mask, array_map(fn (float $part): float => round($part, 3), $speech->noise), $speech->pauses(),
                    $speech->pauseNear($made->between(10, 40), 60),
                ];
            }
        }
        Recorded::same('speech', $answers);
    }

    private static function span(int $from, int $until): Span
    {
        return Span::between(Tick::of($from), Tick::of($until));
    }

    /** @param  list<string>  $texts  empty for a pause */
    private function spoken(MadeUpVoice $voice, array $texts, int $rate, int $noise = 2_500): string
    {
        $made = new MadeUp(6);
        $clean = str_repeat("\0\0", 8_000);
        foreach ($texts as $text) {
            $clean .= $text === '' ? str_repeat("\0\0", 9_600) : implode('', $voice->say([$text], false, $rate));
        }
        $noisy = '';
        foreach (str_split($clean, 32_000) as $piece) {
            $noisy .= pack(
                'v*',
                ...array_map(
                    fn (int $s): int => ($s + $made->between(-$noise, $noise)) & 0xFFFF, array_values((array) unpack('v*', $piece)),
                ),
            );
        }

        return $noisy;
    }
}
