<?php

declare(strict_types=1);

namespace OpenReel\Core\Readiness;

use OpenReel\Core\Deck\ShownSlides;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Script\BackgroundCue;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\Line;
use OpenReel\Core\Script\MusicCue;
use OpenReel\Core\Script\Options;
use OpenReel\Core\Script\Pace;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Script\SpeakingTime;
use OpenReel\Core\Script\SpeedCue;
use OpenReel\Core\Script\TargetLength;
use OpenReel\Core\Script\Words;
use OpenReel\Core\Sound\MusicTrack;

/** Looks a lesson over before it is recorded: what is missing, too long, hard to say, or will not be seen as meant. */
final readonly class Readiness
{
    /** Longer lines run out of breath. */
    public const LONGEST_LINE_WORDS = 30;

    /** Longer sections are hard to say in one go: two minutes. */
    public const LONGEST_SECTION_MS = 120_000;

    /** So many numbers in one line trip the tongue. */
    private const MANY_NUMBERS = 4;

    private const LONGEST_LIST = 5;

    /**
     * @param  list<DeckSlide>  $deck  in order
     * @param  Layout  $layout  what the house style shows unless the script says otherwise
     * @param  list<int>  $cutOffCards  indexes of sections whose card cannot hold its words
     * @param  array<int, list<int>>  $unspoken  numbers of lines that nobody speaks yet, by index of the section, where others
     *    are
     *    spoken
     * @param  list<int>  $withScreen  indexes of sections that are heard in takes with a screen
     * @param  list<MusicTrack>  $beds  the music there is
     * @param  string|null  $presenter  as the house style calls them; null when that is not known
     * @param  array<int, list<int>>  $idleSpeeds  numbers of speed cues that no silence belongs to, by index of the section
     */
    public function __construct(
        private Script $script,
        private array $deck,
        private Layout $layout,
        private Pace $pace,
        private array $cutOffCards = [],
        private array $unspoken = [],
        private array $withScreen = [],
        private array $beds = [],
        private ?string $presenter = null,
        private array $idleSpeeds = [],
    ) {
    }

    /** @return list<ReadinessIssue> in the order of the script, the lesson's own last */
    public function findings(): array
    {
        $shown = ShownSlides::of($this->script, array_map(fn (DeckSlide $s): string => $s->name, $this->deck));
        $found = [];
        $total = 0;
        foreach ($this->script->sections as $index => $section) {
            $length = SpeakingTime::of($section, $this->pace)->milliseconds();
            $total += $length;
            array_push($found, ...$this->section($section, $index, $length, $shown), ...$this->cues($section, $index, $shown));
            foreach ($section->lines as $line) {
                array_push($found, ...$section->card() === null ? $this->line($line, $index) : []);
                if (in_array($line->number, $this->unspoken[$index] ?? [], true)) {
                    $says = 'No kept take speaks this line yet: "'.self::start($line->text).'"';
                    $found[] = new ReadinessIssue('take', $says, $line->from, $index);
                }
            }
        }

        return [...$found, ...$this->lesson($total, $shown)];
    }

    /** @return list<ReadinessIssue> */
    private function section(ScriptSection $section, int $index, int $length, ShownSlides $shown): array
    {
        $name = self::name($section, $index);
        $card = $section->card();
        if ($card !== null) {
            return in_array($index, $this->cutOffCards, true)
                ? [new ReadinessIssue('card', "The card of {$name} cannot hold all its words. Shorten them.", $section->from, $index)]
                : [];
        }
        $found = [];
        if ($section->lines === []) {
            $found[] = new ReadinessIssue('words', "Nothing is written in {$name} yet.", $section->from, $index);
        }
        $layout = $section->layout()->layout ?? $this->layout;
        if (
            $layout !== Layout::CameraAlone &&
            array_filter(array_map($shown->at(...), $section->openingCues(CueKind::Slide)), is_int(...)) === [] &&
            self::opensOtherwise($section) === false
        ) {
            $found[] = new ReadinessIssue(
                'picture',
                ucfirst($name).' begins without a slide: the camera will be shown alone.',
                $section->from,
                $index,
            );
        }
        $target = $section->target()?->milliseconds();
        if ($target !== null && TargetLength::missedBy($length, $target) !== null) {
            $found[] = new ReadinessIssue(
                'target',
                sprintf('%s takes about %s; its target is %s.', ucfirst($name), self::clock($length), self::clock($target)),
                $section->from,
                $index,
            );
        }
        if ($length > self::LONGEST_SECTION_MS) {
            $found[] = new ReadinessIssue(
                'long',
                sprintf('%s takes about %s. Two shorter sections are easier to record.', ucfirst($name), self::clock($length)),
                $section->from,
                $index,
            );
        }

        return $found;
    }

    /** Whether it says that it begins with a screen, the board or the presenter alone. */
    private static function opensOtherwise(ScriptSection $section): bool
    {
        foreach ([CueKind::Screen, CueKind::Board, CueKind::CameraAlone] as $kind) {
            if ($section->openingCues($kind) !== []) {
                return true;
            }
        }

        return false;
    }

    /** @return list<ReadinessIssue> */
    private function cues(ScriptSection $section, int $index, ShownSlides $shown): array
    {
        $found = [];
        $hasStage = false;
        $steps = $built = 0;
        foreach ($section->cues as $number => $cue) {
            $hasStage = $cue->kind->isStage() ? $cue->kind !== CueKind::CameraAlone : $hasStage;
            if ($cue->kind->isStage()) {
                $steps = $this->deck[$cue->kind === CueKind::Slide ? $shown->at($cue) ?? -1 : -1]->steps ?? 0;
                $built = 0;
            } elseif ($cue->kind === CueKind::Step) {
                $built = $cue->value === '' ? $built + 1 : (int) $cue->value;
            }
            $says = $cue->problem() ?? self::stepProblem($cue, $built, $steps) ?? $this->slideProblem($cue, $shown)
                ?? self::placeProblem($cue, $hasStage) ?? $this->pictureProblem($cue, $shown) ?? $this->musicProblem($cue)
                ?? $this->nameProblem($cue)
                ?? (in_array($number, $this->idleSpeeds[$index] ?? [], true) ? SpeedCue::IDLE : null);
            if ($says !== null) {
                $found[] = new ReadinessIssue('cue', $says, $cue->from, $index);
            } elseif ($cue->kind === CueKind::Screen && ! in_array($index, $this->withScreen, true)) {
                $says = ucfirst(self::name($section, $index))." shows a screen: {$cue->value}. Have it ready when you record.";
                $found[] = new ReadinessIssue('screen', $says, $cue->from, $index);
            }
        }

        return $found;
    }

    private static function stepProblem(Cue $cue, int $built, int $steps): ?string
    {
        return match (true) {
            $cue->kind !== CueKind::Step, $built <= $steps => null,
            $steps === 0 => 'What is on the stage here does not build up: there is no next step.',
            default => "The slide here builds up in {$steps} steps: there is no step {$built}.",
        };
    }

    private static function placeProblem(Cue $cue, bool $hasStage): ?string
    {
        $lacks = ' here: no slide, screen or board is shown.';

        return match ($cue->kind) {
            CueKind::Zoom => $hasStage ? null : "There is nothing to zoom{$lacks}",
            CueKind::Label, CueKind::Picture => $hasStage ? null : "There is nothing to lay it over{$lacks}",
            CueKind::Emphasis => $hasStage ? null : "There is nothing to point at{$lacks}",
            CueKind::Join => $cue->line === 1 && $cue->within === 0.0
                ? null
                : 'A join stands before the first word of a section. Here it does nothing.',
            default => null,
        };
    }

    /** A picture that is laid over the stage is one of the slides. */
    private function pictureProblem(Cue $cue, ShownSlides $shown): ?string
    {
        $name = match ($cue->kind) {
            CueKind::Picture => Options::parse($cue->value, 3)->words,
            CueKind::Background => BackgroundCue::parse($cue->value)?->slide,
            default => null,
        };

        return match (true) {
            $name === null, $shown->named($name) !== null => null,
            $cue->kind === CueKind::Picture => "There is no slide called \"{$name}\" to be laid over.",
            default => "\"{$name}\" is no background: no colour, no gradient, and no slide of that name.",
        };
    }

    private function musicProblem(Cue $cue): ?string
    {
        $name = $cue->kind === CueKind::Music ? MusicCue::parse($cue->value)?->name : null;

        return $name === null || MusicTrack::named($name, $this->beds) !== null
            ? null
            : "There is no music called \"{$name}\": nothing is heard from here on. Choose some, or bring it in.";
    }

    private function nameProblem(Cue $cue): ?string
    {
        $isNobody = $cue->kind === CueKind::Name && trim(explode(',', Options::parse($cue->value)->words)[0]) === '';

        return $isNobody && $this->presenter === ''
            ? 'Nobody is named here, and the house style knows no presenter: no name is shown. Write [name: Wenna Tregear].'
            : null;
    }

    private function slideProblem(Cue $cue, ShownSlides $shown): ?string
    {
        $index = $cue->kind === CueKind::Slide ? $shown->at($cue) : 0;

        return match (true) {
            $cue->kind !== CueKind::Slide, $index !== null && ($this->deck[$index]->isSharp ?? true) => null,
            $index !== null => "The slide \"{$this->deck[$index]->name}\" has fewer pixels than the frame: it will look soft.",
            $cue->value === '' => 'There is no next slide here: the deck has come to its end.',
            default => "There is no slide called \"{$cue->value}\".",
        };
    }

    /** @return list<ReadinessIssue> */
    private function line(Line $line, int $index): array
    {
        $found = [];
        $words = count(Words::of($line->text));
        if ($words > self::LONGEST_LINE_WORDS) {
            $found[] = new ReadinessIssue(
                'long',
                "This line has {$words} words. Shorter ones are easier to say: \"".self::start($line->text).'"',
                $line->from,
                $index,
            );
        }
        if (self::isHardToSay($line->text)) {
            $found[] = new ReadinessIssue(
                'numbers',
                'Many numbers in one line are hard to say and to follow: "'.self::start($line->text).'"',
                $line->from,
                $index,
            );
        }

        return $found;
    }

    public static function isHardToSay(string $text): bool
    {
        return preg_match_all('/\d+(?:[.,:]\d+)*/', $text) >= self::MANY_NUMBERS || preg_match('/\d[\d,.]{8,}/', $text) === 1;
    }

    /** @return list<ReadinessIssue> */
    private function lesson(int $total, ShownSlides $shown): array
    {
        $found = [];
        $unused = array_values(
            array_map(fn (DeckSlide $s): string => "\"{$s->name}\"", array_diff_key($this->deck, array_flip($shown->all()))),
        );
        if ($unused !== []) {
            $more = count($unused) - self::LONGEST_LIST;
            $found[] = new ReadinessIssue(
                'deck',
                (count($unused) === 1 ? 'One slide is' : count($unused).' slides are').
                    ' not used: '.
                    implode(', ', array_slice($unused, 0, self::LONGEST_LIST)).
                    ($more > 0 ? " and {$more} more." : '.'),
            );
        }
        $target = $this->script->target()?->milliseconds();
        if ($target !== null && TargetLength::missedBy($total, $target) !== null) {
            $found[] = new ReadinessIssue(
                'target',
                sprintf('The lesson takes about %s; its target is %s.', self::clock($total), self::clock($target)),
            );
        }

        return $found;
    }

    private static function name(ScriptSection $section, int $index): string
    {
        return 'section '.($index + 1).($section->heading === '' ? '' : " (\"{$section->heading}\")");
    }

    private static function start(string $text): string
    {
        return mb_strlen($text) <= 48 ? $text : rtrim(mb_substr($text, 0, 46)).'…';
    }

    private static function clock(int $milliseconds): string
    {
        // To the nearest second: what it tells is an estimate.
        return Tick::ofMilliseconds($milliseconds + 500)->clock();
    }
}
