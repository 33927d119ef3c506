<?php

declare(strict_types=1);

namespace Tests\Core\Script;

use OpenReel\Core\Script\BackgroundCue;
use OpenReel\Core\Script\BoardCue;
use OpenReel\Core\Script\CardCue;
use OpenReel\Core\Script\ChangedSection;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueChange;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\CuePlaces;
use OpenReel\Core\Script\EmphasisCue;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Script\LayoutCue;
use OpenReel\Core\Script\LineIdentity;
use OpenReel\Core\Script\LineMatch;
use OpenReel\Core\Script\MusicCue;
use OpenReel\Core\Script\Number;
use OpenReel\Core\Script\Options;
use OpenReel\Core\Script\Pace;
use OpenReel\Core\Script\PaceSample;
use OpenReel\Core\Script\PlacedCue;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Script\SearchWords;
use OpenReel\Core\Script\SectionIdentity;
use OpenReel\Core\Script\SectionMatch;
use OpenReel\Core\Script\SectionText;
use OpenReel\Core\Script\SourceMap;
use OpenReel\Core\Script\SpeakingTime;
use OpenReel\Core\Script\SpeedCue;
use OpenReel\Core\Script\Spoken;
use OpenReel\Core\Script\TargetLength;
use OpenReel\Core\Script\TransitionCue;
use OpenReel\Core\Script\WordPlace;
use OpenReel\Core\Script\Words;
use OpenReel\Core\Script\ZoomCue;
use PHPUnit\Framework\TestCase;
use Tests\Core\MadeUp;
use Tests\Core\Recorded;

/** Whole scripts, read, timed, said and changed. */
final class RecordedScriptTest extends TestCase
{
    public function test_scripts_are_read_as_they_were(): void
    {
        $made = new MadeUp(1);
        $answers = [];
        foreach (range(1, 25) as $n) {
            $script = Script::parse($made->script($made->between(0, 4)));
            $answers["script {$n}"] = [$script, $script->lines(), $script->target()];
            foreach ($script->sections as $s => $section) {
                $answers["script {$n}, section {$s}"] = [
                    SpeakingTime::of($section), SpeakingTime::of($section, Pace::learn([new PaceSample(60_000, 75_000)])),
                    $section->text(), $section->source(), $section->until(), $section->target(), $section->card(),
                    $section->layout(), $section->openingCues(CueKind::Zoom),
                    $section->textWithOpening(CueKind::Layout, 'slide alone'),
                    array_map(fn (Cue $cue): array => [$cue->problem(), $cue->length(), WordPlace::of($cue)], $section->cues),
                ];
            }
        }
        Recorded::same('scripts', $answers);
    }

    public function test_ugly_texts_are_read_as_they_were(): void
    {
        $texts = [
            '', "\n\n", '# Only a title', "# T\n## A\n## B", "# T\r\n\r\n## A\r\nOne. Two.\r\n\r\nThree.",
            "Words before.\n\n## A\n\nOne.", "## A\nOne\ntwo\nthree.\n- a\n- b\n\n1. c\n2) d\n* e",
            "# T\n[target 2:00]\n## A ##\n[slide: One]One.[step]Two.", "## A\n\n[note: x][pause 1 s]", "##A\n## \n### Deep\n\nOne.",
            "## A\n\n\\[not a cue] [sic] [slide: open",
            "## A\n\nDr. Pell said \"Row on!\" (He did.) Then… nothing? 4.5 m. No. 3, e.g. this. A. B. Pell.",
            "\xEF\xBB\xBF# T\n\n## A\n\nOne.", "## A\n\n".str_repeat('word ', 300).'.',
            "## A\n\nOne.   Two.\t\tThree.\n   \nFour", "# T\n\n# Again\n\n## A", "## A\n\n🚣 Rudern. שלום עולם. C'est où? ¿Qué? 你好。再见。",
            "## A\n\n[slide: One]\n\n[zoom: 20 10 40] \n One [emphasis: none], two.",
        ];
        $answers = [];
        foreach ($texts as $text) {
            $script = Script::parse($text);
            $answers[$text] = [
                $script, $script->withTitle('New')->write(), $script->withInserted(0, 'First', "- x\n- y")->write(), $script->target(),
                array_map(
                    fn (int $n): array => [$script->without($n)->write(), $script->withSection($n, '', '[step] Else.')->write()],
                    array_keys($script->sections),
                ),
                $script->inOrder(array_reverse(array_keys($script->sections)))->write(),
                array_map(
                    fn (ScriptSection $s): array => [$s->text(), SpeakingTime::of($s), $s->textWithOpening(CueKind::Slide, 'Two')],
                    $script->sections,
                ),
            ];
        }
        Recorded::same('ugly-scripts', $answers);
    }

    public function test_texts_are_said_as_they_were(): void
    {
        $texts = [
            'At 06:42, 7:00, 12:05 and 1:02:03.', 'On 14 March 2026, March 14, 2026 and 2026-03-14; 2026-13-40.',
            'The 1st, 2nd, 3rd, 21st of May.',
            'In 1996 and by 2005, since 1900, from 2000. May 2026.', 'It costs £1, £12.50, $1 million, €3,200.05, ¥300 and £1.00.',
            'Parts: 1/2, 3/4, 1/12, 5/12, 24/7, 7/1, 1/1.', '5–7 kn, 5-7, 1 m, 1.0 m, 4.8 m, -3 °C, −0.5 m.',
            '3 m/s, 9.81 m/s², 20 m³, 4 km2, 1 m.',
            'Dr. Pell, Mr. Ash, e.g. No. 3, pp. 4, Fig. 2, i.e. Vol. 1.', 'x² + y³ = z^4, 10^-3, a₂, 2^10.',
            'GPS, NASA, TV, UK2, U.S. and A4.',
            '±3 × 2 ÷ 4 ≠ 5 ≈ 6 ≤ 7 ≥ 8 → 9 √2 π Δ ∞ @ # § ½ ¼ ¾ ⅓ ⅔ ° %', '1,234,567.89 and 0.05, 007, 3.10, 12345678901234567890.',
            'w/ oars, w/o oars, & others.', '100 W, 2 kWh, 5 GHz, 3 MB, 24 fps, 80 dB, 1 ft, 2 ft, 6 in, 1 °C.', "white   space\nand rows",
        ];
        $made = new MadeUp(2);
        $texts = [...$texts, ...array_map(fn (): string => $made->sentence(12), range(1, 60))];
        $answers = [];
        foreach ($texts as $text) {
            $answers[$text] = [
                Spoken::of($text), Spoken::of($text, Language::German), SpeakingTime::ofText($text), Words::of($text), Words::key($text),
                SearchWords::of($text), SearchWords::query($text),
            ];
        }
        foreach ([
            ...range(0, 21), 30, 99, 100, 101, 110, 119, 200, 345, 999, 1000, 1001, 1100, 12_000, 100_000, 999_999, 2_000_000,
        ] as $n) {
            $answers["number {$n}"] = [
                array_map(fn (Language $l): array => [Number::words((string) $n, $l), Number::ordinal($n, $l)], Language::cases()),
                Number::year($n), Number::words("{$n}.05"),
            ];
        }
        foreach ([1_066, 1_900, 1_905, 1_999, 2_000, 2_005, 2_010, 2_026, 2_100] as $year) {
            $answers["year {$year}"] = Number::year($year);
        }
        Recorded::same('spoken', $answers);
    }

    public function test_values_of_cues_are_read_as_they_were(): void
    {
        $values = [
            '', 'none', 'usual', 'gradient', 'ink', 'plain', '2', '0', '1, squared', 'lined', 'opening, 5 s', 'closing', '0 s', '21 s',
            'dissolve, 0.5 s',
            'cut', 'dip, 3 s', 'push', 'dissolve, 0.05 s', 'out', 'out, 0.7 s', '20 10 40', '20 10 40, 1 s', '90 90 90', '0 0 100',
            '20 10 4',
            '20.5% 10% 40%, 0 s', 'box 20 10 30 12', 'box 20 10 30 12, accent, drawn, 1 s', 'arrow 5 5 90 90', 'underline 20 10 30',
            'spotlight 20 10 30 12, soft',
            'round 20 10 30 12, #ff8800', 'box 20 10 30', 'box 120 10 30 12', 'camera alone', 'slide with inset, top left, large',
            'side by side, 1.5 s',
            'slide with inset, round, bottom right, small, 20 20', 'Slack water', 'Slack water, -3 dB, in 2 s, out 4 s',
            'Slack water, 30 dB', '8 x', 'cut',
            '1 x', '40 x', 'x', 'Low, at 20 10', 'Low, at 20 10, 3 s, second', 'Tide clock, at 60 10 30', ', at 1 2', '-', '1:30',
            '90 s', '0.5 s', '3 min',
        ];
        $read = [
            BackgroundCue::parse(...), BoardCue::parse(...), EmphasisCue::parse(...), LayoutCue::parse(...), MusicCue::parse(...),
            SpeedCue::parse(...), TransitionCue::parse(...), ZoomCue::parse(...), Options::parse(...),
            fn (string $v): Options => Options::parse($v, 2), fn (string $v): Options => Options::parse($v, 3),
        ];
        $answers = [];
        foreach ($values as $value) {
            $answers[$value] = array_map(fn (\Closure $by): mixed => $by($value), $read);
            foreach (CueKind::cases() as $kind) {
                $cue = Cue::parse(Cue::write($kind, $value), 3);
                $answers["{$kind->value}: {$value}"] = $cue === null
                    ? null
                    : [$cue->source(), $cue->problem(), $cue->length(), CardCue::parse($cue)];
            }
        }
        foreach ([
            [0, 1_000], [60_000, 60_000], [66_000, 60_000], [66_001, 60_000], [53_999, 60_000], [54_000, 60_000], [10_000, 8_000],
            [5, null],
        ] as [$is, $meant]) {
            $answers["target {$is} of {$meant}"] = TargetLength::missedBy($is, $meant);
        }
        Recorded::same('cue-values', $answers);
    }

    public function test_changed_scripts_are_matched_as_they_were(): void
    {
        $made = new MadeUp(3);
        $answers = [];
        foreach (range(1, 60) as $round) {
            $lines = array_map(fn (): string => $made->sentence($made->between(2, 9), false), range(1, $made->between(1, 14)));
            $known = array_map(
                fn (string $text, int $i): LineIdentity => new LineIdentity("l{$i}", 's'.intdiv($i, 4), $text), $lines,
                array_keys($lines),
            );
            $removed = array_map(fn (int $i): LineIdentity => new LineIdentity("r{$i}", 's9', $made->sentence(5, false)), range(1, 3));
            $now = [];
            foreach ($made->oneIn(3) ? $made->shuffled($lines) : $lines as $line) {
                $words = explode(' ', $line);
                match ($made->between(1, 7)) {
                    1 => null,
                    2 => array_push($now, $line, $made->sentence(4, false)),
                    3 => array_push(
                        $now, implode(' ', array_slice($words, 0, intdiv(count($words), 2))),
                        implode(' ', array_slice($words, intdiv(count($words), 2))),
                    ),
                    4 => $now[] = implode(' ', [...array_slice($words, 0, -1), 'instead.']),
                    5 => array_push($now, $line, $made->one($removed)->text),
                    default => $now[] = $line,
                };
            }
            $ids = LineMatch::ids($known, $removed, $now);
            $sectionOf = array_column($known, 'section', 'id');
            $sections = array_map(
                fn (array $some, int $i): ChangedSection => new ChangedSection(
                    $made->oneIn(3) ? '' : "Part {$made->between(0, 3)}", array_values(array_filter($some)),
                ),
                array_chunk($ids, 4),
                array_keys(array_chunk($ids, 4)),
            );
            $before = array_map(
                fn (int $i): SectionIdentity => new SectionIdentity("s{$i}", $made->oneIn(4) ? '' : "Part {$i}", $i > 3), range(0, 5),
            );
            $answers["change {$round}"] = [$ids, SectionMatch::ids($before, $sectionOf, $sections)];
        }
        // Very many lines that are said again and again, in another order and with other words between.
        $many = array_map(fn (int $i): string => $made->one(['And again.', 'Stop.', 'Go on.', $made->sentence(5, false)]), range(1, 700));
        $known = array_map(fn (string $text, int $i): LineIdentity => new LineIdentity("l{$i}", 's', $text), $many, array_keys($many));
        $rewritten = array_map(
            fn (string $text): string => $made->oneIn(2) ? strtr($text, ['the ' => 'one ', 'tide' => 'ebb']) : $text, $many,
        );
        $answers['many'] = LineMatch::ids($known, [], $rewritten);
        $answers['many, moved'] = LineMatch::ids($known, [], [...array_slice($rewritten, 300), ...array_slice($rewritten, 0, 300)]);
        $named = array_map(fn (int $i): SectionIdentity => new SectionIdentity("s{$i}", 'Again'), range(0, 40));
        $answers['namesakes'] = SectionMatch::ids(
            $named, [], array_map(fn (): ChangedSection => new ChangedSection('Again', []), range(1, 44)),
        );
        Recorded::same('matches', $answers);
    }

    public function test_cues_are_written_as_they_were(): void
    {
        $made = new MadeUp(4);
        $answers = [];
        foreach (range(1, 60) as $round) {
            $script = Script::parse($made->script(2));
            $section = $made->between(0, 1);
            $lines = $script->sections[$section]->lines;
            if ($lines === []) {
                continue;
            }
            $place = fn (): WordPlace => WordPlace::before($made->one($lines), $made->between(0, 6));
            $cue = Cue::parse($made->cue(), 0);
            [$from, $until] = [$place(), $made->oneIn(2) ? $place() : null];
            $placed = array_map(fn (): PlacedCue => new PlacedCue($section, $place(), $made->cue()), range(1, 3));
            $map = new SourceMap($script->write());
            $answers["script {$round}"] = [
                CueChange::over(
                    $script, $section, $cue ?? throw new \LogicException('no cue'), $from, $until, $made->oneIn(2) ? '[zoom: out]' : '',
                ),
                $script->sections[$section]->cues === [] ? null : CueChange::replaced(
                    $script, $section, 0, $made->oneIn(2) ? '' : '[step]',
                ),
                CueChange::inForce($script->sections[$section], $cue->kind, $from),
                CuePlaces::write($script, $placed), $from->wordIn($lines[0]), $from->isBefore($placed[0]->place), $from->opensSection(),
                $map->utf16($made->between(0, 60)),
                $script->withTitle('Other')->write(), $script->withSection($section, 'Else', $made->text(2))->write(),
                $script->withInserted($section, 'New', 'Here.')->write(), $script->without($section)->write(),
                $script->inOrder([1, 0])->write(),
            ];
        }
        $answers['composed'] = Script::compose(
            'Tides', [new SectionText('One', 'Look.'), new SectionText('', "# no heading\n\n[step]")],
        )->write();
        Recorded::same('cue-changes', $answers);
    }
}
