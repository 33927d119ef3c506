<?php

declare(strict_types=1);

namespace Tests\Core\Film;

use OpenReel\Core\Annotation\Box;
use OpenReel\Core\Annotation\Click;
use OpenReel\Core\Annotation\PointerPath;
use OpenReel\Core\Annotation\Stroke;
use OpenReel\Core\Annotation\TimedPoint;
use OpenReel\Core\Annotation\Tool;
use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\CardSource;
use OpenReel\Core\Assembly\CuedSlide;
use OpenReel\Core\Assembly\CueTimeline;
use OpenReel\Core\Assembly\FilmStyle;
use OpenReel\Core\Assembly\MusicCueAt;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\SilenceFound;
use OpenReel\Core\Assembly\Silences;
use OpenReel\Core\Assembly\SpeedCueAt;
use OpenReel\Core\Coverage\Coverage;
use OpenReel\Core\Coverage\CoverageSection;
use OpenReel\Core\Coverage\DraftOrder;
use OpenReel\Core\Coverage\UsedPart;
use OpenReel\Core\Film\FilmPlan;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\Adjustment;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Render\FilmQuality;
use OpenReel\Core\Script\Line;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Sound\MusicTrack;
use OpenReel\Core\Style\CardDrawing;
use OpenReel\Core\Style\DraftMark;
use OpenReel\Core\Style\HouseStyle;
use OpenReel\Core\Style\SettingKind;
use OpenReel\Core\Style\StyleSetting;
use OpenReel\Core\Style\StyleSettings;
use OpenReel\Core\Take\AlignmentResult;
use OpenReel\Core\Take\AlignmentStatus;
use OpenReel\Core\Take\AnalysisResult;
use OpenReel\Core\Take\AttemptKind;
use OpenReel\Core\Take\Erasure;
use OpenReel\Core\Take\IngestResult;
use OpenReel\Core\Take\LineAttempt;
use OpenReel\Core\Take\LineTimings;
use OpenReel\Core\Take\RecordedTake;
use OpenReel\Core\Take\RecordedTrack;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\TakeAnnotation;
use OpenReel\Core\Take\TakeEdits;
use OpenReel\Core\Take\TakeView;
use OpenReel\Core\Take\Verdict;
use OpenReel\Core\Take\WordAnchor;
use Tests\Core\Assembly\Example;
use Tests\Core\MadeUp;

/** A whole made-up lesson: its script, house style, slides, takes and the film they make. The same seed makes the same one. */
final readonly class MadeUpFilm
{
    /** What moves or is laid over a slide. */
    private const ON_STAGE = [
        '[layout: side by side, 0.5 s]', '[layout: slide alone, 1 s]', '[layout: camera alone, 1 s]', '[layout: slide with inset, 2 s]',
        '[layout: slide with inset, at 5 5 30, 0.6 s]', '[layout: slide with inset, top left, small, 0.3 s]', '[zoom: 20 10 40, 1 s]',
        '[layout: slide with inset, bottom left]', '[layout: slide with inset, large]', '[layout: at 60 5 30]',
        '[zoom: 40 40 20, 2 s]', '[zoom: 10 20 60, 0.4 s]', '[zoom: out, 0.7 s]', '[zoom: 50 50 30]', '[slide: One]', '[slide: Two]',
        '[step]',
        '[board: 2, squared]', '[screen: the gauge]', '[emphasis: box 20 10 30 12, accent, drawn in 1 s]',
        '[emphasis: arrow 20 10 60 50, by hand]',
        '[emphasis: round 30 30 20 20, thick]', '[emphasis: spotlight 20 20 30 30]', '[emphasis: none]',
        '[label: Low water, at 20 20, 2 s]',
        '[picture: Three, at 10 10 20]', '[name: Wenna Tregear, rower, 3 s]', '[keys: Ctrl+S]', '[background: gradient]', '[music: none]',
        '[music: Slack water, -3 dB, in 2 s, out 1 s]', '[speed: 4 x]', '[speed: cut]',
    ];

    public Script $script;

    public HouseStyle $style;

    /** @var list<CuedSlide> */
    public array $deck;

    /** @var list<MusicTrack> */
    public array $beds;

    /** @var array<string, TakeView> by id */
    public array $takes;

    /** @var array<string, string> words of the lines, by id */
    public array $texts;

    /** @var list<CoverageSection> */
    public array $covered;

    public Coverage $coverage;

    public FilmPlan $plan;

    private MadeUp $made;

    /** Much happens on the stage, and all of it is spoken. */
    private bool $isStaged;

    private FrameSize $frame;

    public function __construct(int $seed)
    {
        $this->made = new MadeUp($seed);
        $this->isStaged = $seed % 2 === 0;
        $this->frame = FrameSize::of(...$this->made->one([[1280, 720], [640, 360], [720, 1280]]));
        $this->style = HouseStyle::of($this->settings());
        $this->script = Script::parse($this->words());
        $this->deck = [
            new CuedSlide('One', Example::slide('one')),
            new CuedSlide('Two', Example::slide('two', Shape::of(800, 800)), Stage::slide(
                Example::slide('two', Shape::of(800, 800)), [Example::slide('two-1'), Example::slide('two-2'), Example::slide('two-3')],
            )),
            new CuedSlide('Three', Example::slide('three', Shape::of(1000, 400))),
        ];
        $this->beds = [new MusicTrack('Slack water', 'bed', 48_000 * 20, -18.0, 'bed-round', 4_800)];
        $texts = $covered = $takes = [];
        foreach ($this->script->sections as $s => $section) {
            $lines = [];
            foreach ($section->lines as $n => $line) {
                $lines["s{$s}l{$n}"] = $line->text;
            }
            $covered[] = new CoverageSection("s{$s}", $lines, $section->card() !== null);
            $texts += $lines;
            foreach (range(1, $this->made->between(1, 3)) as $number) {
                $take = $this->take("s{$s}", $number, ! $this->isStaged && $this->made->oneIn(3) ? $this->some($lines) : $lines);
                $takes[$take->id] = $take;
            }
        }
        [$this->texts, $this->covered, $this->takes] = [$texts, $covered, $takes];
        $chosen = array_filter(array_map(
            fn (): string => $this->made->one(array_keys($takes) ?: ['none']), array_filter($texts, fn (): bool => $this->made->oneIn(5)),
        ));
        $this->coverage = Coverage::of($covered, array_values($takes), $chosen);
        $this->plan = $this->plan();
    }

    /** @return array<string, mixed> a choice for each setting that has some */
    private function settings(): array
    {
        $free = array_filter(
            StyleSettings::all(),
            fn (StyleSetting $s): bool => ! in_array($s->name, ['width', 'height', 'language', 'logo'], true),
        );

        return ['presenter' => 'Wenna Tregear', 'join' => $this->made->one(['cut', 'dissolve, 0.5 s', 'dip, 1 s'])] + array_filter(
            array_map(fn (StyleSetting $s): mixed => match ($s->kind) {
                SettingKind::Choice => $this->made->one($s->choices ?: [null]),
                SettingKind::Colour => sprintf('%06X', $this->made->between(0, 0xFFFFFF)),
                default => null,
            }, $free),
            fn (mixed $value): bool => $value !== null,
        );
    }

    private function words(): string
    {
        $text = "# {$this->made->sentence(3, false)}\n\n[music: Slack water]\n\n";
        foreach (range(1, $this->made->between(2, 4)) as $n) {
            $card = $this->made->oneIn(5) ? $this->made->one(
                ['[card: opening, 4 s]', '[card: question, 3 s]', '[card: quotation, 5 s]'],
            ) : '';
            $join = $this->made->oneIn(2) ? $this->made->one(
                ['[join: dissolve, 1 s]', '[join: push, 0.5 s]', '[join: dip, 1 s]', '[join: cut]'],
            ) : '';
            $said = $this->isStaged ? $this->staged() : $this->made->text($this->made->between(2, 5));
            $text .= "## Part {$n}\n\n{$card} {$join} {$said}\n\n";
        }

        return $text;
    }

    /** Words on a slide on which much happens. */
    private function staged(): string
    {
        $text = '[slide: '.$this->made->one(['One', 'Two', 'Three']).']';
        foreach (range(1, $this->made->between(2, 5)) as $ignored) {
            $words = explode(' ', $this->made->sentence($this->made->between(4, 9), false));
            array_splice($words, $this->made->between(1, 3), 0, [$this->made->one(self::ON_STAGE)]);
            $text .= ' '.$this->made->one(self::ON_STAGE).' '.implode(' ', $words);
        }

        return $text;
    }

    /**
     * Some of them, one after the other or with others left out between.
     *
     * @param  array<string, string>  $lines
     * @return array<string, string>
     */
    private function some(array $lines): array
    {
        return $this->made->oneIn(2)
            ? array_slice($lines, $this->made->between(0, count($lines)), $this->made->between(1, 3))
            : array_filter($lines, fn (): bool => ! $this->made->oneIn(3));
    }

    private function ticks(int $fromMs, int $untilMs): Span
    {
        return Span::between(Tick::ofMilliseconds($fromMs), Tick::ofMilliseconds($untilMs));
    }

    /** @param  array<string, string>  $lines  words by id */
    private function take(string $section, int $number, array $lines): TakeView
    {
        $made = $this->made;
        $each = $made->oneIn(4) ? $made->between(6_000, 40_000) : $made->between(1_500, 3_500);
        $length = 2_000 + count($lines) * $each;
        $id = "{$section}t{$number}";
        $starts = $cuts = $anchors = $attempts = $pauses = [];
        $at = 700 + $made->between(0, 400);
        foreach ($lines as $line => $text) {
            $starts[$line] = Tick::ofMilliseconds($at);
            $cuts[$line] = Tick::ofMilliseconds(max(0, $at - $made->between(40, 300)));
            $anchors[] = new WordAnchor($line, 0.4, Tick::ofMilliseconds($at + intdiv($each, 3)));
            $attempts[] = new LineAttempt(
                $line, $made->oneIn(6) ? AttemptKind::FalseStart : AttemptKind::Complete, $this->ticks($at, $at + $each - 300), 0.8,
            );
            $pauses[] = $this->ticks($at + $each - 300 - $made->between(0, 600), $at + $each);
            $at += $each;
        }
        $track = fn (TrackKind $kind, ?Shape $shape = null, int $later = 0): RecordedTrack => new RecordedTrack(
            $kind, "{$kind->value}-{$id}", Tick::ofMilliseconds($length), Tick::ofMilliseconds($later), $shape,
            loudness: $shape === null ? -24.0 + $number : null, peak: $shape === null ? -3.0 : null,
            lead: $later === 0 ? null : Tick::ofMilliseconds(20),
        );
        $tracks = [
            $track(TrackKind::Microphone),
            ...$made->oneIn(5) ? [] : [
                $track(TrackKind::Camera, $made->one([Shape::of(1280, 720), Shape::of(640, 480)]), $made->one([0, 40])),
            ],
            ...$made->oneIn(3) ? [$track(TrackKind::Screen, Shape::of(1920, 1080), 15), $track(TrackKind::Computer)] : [],
        ];
        $ids = array_map(strval(...), array_keys($lines));
        $timings = new LineTimings($starts, $cuts, $anchors);
        $used = Tick::ofMilliseconds($length - 500);
        $isSure = ! $made->oneIn(3);
        [$from, $until] = [$made->between(900, 1_500), $length - 600];

        return TakeView::of(
            new RecordedTake($id, $section, $number, lines: array_map(
                fn (string $line, string $text): SpokenLine => new SpokenLine($line, $text), $ids, array_values($lines),
            ), tracks: $tracks),
            new IngestResult(
                Tick::ofMilliseconds($length), Span::between(Tick::ofMilliseconds(400), $used), new LineTimings($starts, $cuts),
                $made->oneIn(5) ? [$this->ticks(1_200, 1_700)] : [], $made->oneIn(8) ? ['clipped'] : [],
                $this->drawings($length), $made->oneIn(6) ? [new Erasure('slide:one', Tick::ofMilliseconds(2_500))] : [],
            ),
            new AlignmentResult(
                $isSure ? AlignmentStatus::Sure : AlignmentStatus::Unsure, 0.9, $attempts,
                $made->oneIn(4) ? [$this->ticks(300, 600)] : [], $pauses,
                $made->oneIn(4) ? array_slice($ids, -1) : [], $ids, Span::between(Tick::ofMilliseconds(500), $used),
                $made->oneIn(4) ? [$this->ticks(1_000, 1_400)] : [], $timings, $made->oneIn(4) ? array_slice($ids, 0, 1) : [],
                $made->oneIn(5) ? ['too-fast'] : [],
            ),
            $made->oneIn(2) ? new AnalysisResult(-20.0, -55.0, $made->one([null, 50]), $this->ticks(0, 400)) : null,
            new TakeEdits(
                $this->isStaged ? Verdict::Kept : $made->one(
                    [Verdict::Kept, Verdict::Kept, Verdict::Kept, Verdict::Undecided, Verdict::Discarded],
                ),
                $made->between(1, 9),
                $made->oneIn(4) ? [$this->ticks(300, $length - 200)] : null,
                $made->oneIn(4) && $from + 200 < $until ? [$this->ticks($from, $from + 200)] : [],
                $made->oneIn(5) ? [$this->ticks(1_600, 1_800)] : [],
                $made->oneIn(4) ? Crop::parse(['x' => 0.1, 'y' => 0.05, 'width' => 0.8, 'height' => 0.8]) : null,
                $made->oneIn(4) ? Crop::parse(['x' => 0.0, 'y' => 0.1, 'width' => 0.5, 'height' => 0.5]) : null,
                $made->oneIn(3) ? Adjustment::of($made->between(-40, 40), 10, -20, $made->between(-30, 30)) : null,
                usualCleaning: $this->style->cleaning,
                longestPause: $this->style->longestPause,
            ),
        );
    }

    /** @return list<TakeAnnotation> */
    private function drawings(int $length): array
    {
        $made = $this->made;
        $points = fn (): array => array_map(
            fn (int $n): TimedPoint => new TimedPoint(
                40 * $n, $made->between(10, 90) / 100, $made->between(10, 90) / 100, $made->between(2, 10) / 10,
            ),
            range(0, $made->between(0, 6)),
        );
        $drawings = [];
        foreach (range(1, $made->between(1, 4)) as $n) {
            $from = $made->between(300, $length - 1_000);
            $drawings[] = new TakeAnnotation(match ($made->between(1, 4)) {
                1 => new Stroke($made->one(Tool::cases()), 'D9480F', $made->oneIn(2), $points()),
                2 => new PointerPath($points(), '0B5D66'),
                3 => new Click($made->between(0, 100) / 100, 0.4, '0B5D66', $made->oneIn(2)),
                default => new Box(0.2, 0.3, 0.25, 0.2),
            }, $this->ticks($from, $from + $made->between(200, 3_000)), $made->one(['', 'slide:one', 'screen', 'board:1', 'slide:two-1']));
        }

        return $drawings;
    }

    private function plan(): FilmPlan
    {
        $cues = new PictureCues($this->script, $this->deck, $this->style, $this->frame);
        $rate = FrameRate::of($this->made->one(FrameRate::OFFERED));
        $inputs = $idle = [];
        foreach ($this->script->sections as $s => $section) {
            [$inputs[], $idle["s{$s}"]] = $this->input($section, $s, $cues, $rate);
        }

        return new FilmPlan(
            Assembly::of($this->frame, $rate, $inputs, new FilmStyle(
                null, $this->style->colours->ground->hex,
                $this->made->oneIn(2) ? (new DraftMark($this->frame, $this->style))->layer() : null, $this->style->hidesJumps,
                $this->style->fadeIn, $this->style->fadeOut,
            )),
            [], (float) $this->style->soundTarget, (float) $this->style->computerUnder, 0, $this->texts, $this->style->music,
            array_column(array_map(fn (SectionInput $i): array => [$i->id, SilenceFound::all($i, $this->texts)], $inputs), 1, 0),
            array_filter($idle), quality: $this->made->one(FilmQuality::cases()),
            captionStyle: $this->made->oneIn(2) ? $this->style : null,
        );
    }

    /** @return array{SectionInput, list<int>} */
    private function input(ScriptSection $section, int $number, PictureCues $cues, FrameRate $rate): array
    {
        $ids = array_map(fn (int $n): string => "s{$number}l{$n}", array_keys($section->lines));
        $seen = $cues->of($section, $ids);
        $card = $section->card();
        $still = fn (string $svg): Still => Still::drawn(StillKind::Card, $svg, Shape::of($this->frame->width, $this->frame->height));
        $drawing = CardDrawing::of(
            $this->frame, $this->style, $section->heading, implode("\n", array_map(fn (Line $l): string => $l->text, $section->lines)),
            $card->kind ?? \OpenReel\Core\Script\CardKind::Opening,
        );
        $passages = [];
        foreach ($card === null ? DraftOrder::of($ids, $this->coverage->sections["s{$number}"]) : [] as $part) {
            if ($part instanceof UsedPart) {
                $passages[] = new Passage($this->takes[$part->take], $part->span, $part->lines, goesOn: $part->goesOn);
            } elseif ($this->made->oneIn(2)) {
                $voice = new RecordedTrack(
                    TrackKind::Microphone, "draft-{$part}", Tick::ofMilliseconds(2_000), Tick::zero(), loudness: -18.0,
                );
                $draft = TakeView::draft($part, $voice);
                $passages[] = new Passage($draft, $draft->extent(), [$part]);
            }
        }
        $speeds = SpeedCueAt::where(SpeedCueAt::in($section, $ids), CueTimeline::of($ids, $passages));

        return [new SectionInput(
            "s{$number}", $section->heading, $seen->opening,
            array_map(fn (Passage $p): Passage => Silences::quicken($p, $speeds), $passages), $seen->changes,
            $card === null ? null : new CardSource($still($drawing->svg()), $card->length, $this->made->oneIn(2) ? [] : [
                $still($drawing->counting(2, 2)->svg()), $still($drawing->counting(1, 2)->svg()),
            ]),
            $ids, join: $cues->join($section, $rate), overlays: $cues->overlays($section, $ids), emphases: $cues->emphases($section),
            music: MusicCueAt::in($section, $this->beds),
            sound: $this->made->oneIn(3) ? new MusicTrack('page', 'page', 24_000, -20.0) : null,
        ), Silences::idle($passages, $speeds)];
    }
}
