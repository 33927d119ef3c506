<?php

declare(strict_types=1);

namespace Tests\Core\Film;

use OpenReel\Core\Assembly\HeldCue;
use OpenReel\Core\Assembly\WordFrames;
use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\CaptionScript;
use OpenReel\Core\Captions\EditedCaption;
use OpenReel\Core\Captions\FilmCaptions;
use OpenReel\Core\Captions\TimedLines;
use OpenReel\Core\Captions\TimedText;
use OpenReel\Core\Captions\Transcript;
use OpenReel\Core\Coverage\SectionState;
use OpenReel\Core\EditList\EditList;
use OpenReel\Core\EditList\Edl;
use OpenReel\Core\EditList\Otio;
use OpenReel\Core\Film\FilmPlan;
use OpenReel\Core\Handout\Handout;
use OpenReel\Core\Handout\HandoutLayout;
use OpenReel\Core\Handout\HandoutPages;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Readiness\DeckSlide;
use OpenReel\Core\Readiness\Readiness;
use OpenReel\Core\Render\ChapterFile;
use OpenReel\Core\Render\PicturePieces;
use OpenReel\Core\Render\ShotCommand;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Render\TransitionSpec;
use OpenReel\Core\Script\Pace;
use OpenReel\Core\Script\WordPlace;
use OpenReel\Core\Soundtrack\SoundCommand;
use OpenReel\Core\Soundtrack\SoundPart;
use OpenReel\Core\Soundtrack\SoundPlan;
use OpenReel\Core\Take\TakeView;
use PHPUnit\Framework\TestCase;
use Tests\Core\Recorded;

/** Whole made-up lessons, from script and takes to encoder commands and files: bit for bit what they were. */
final class RecordedFilmTest extends TestCase
{
    /** @return iterable<string, MadeUpFilm> */
    private static function films(): iterable
    {
        static $films = [];
        foreach (range(1, 36) as $seed) {
            yield "lesson {$seed}" => $films[$seed] ??= new MadeUpFilm($seed);
        }
    }

    public function test_takes_and_coverage(): void
    {
        $answers = [];
        foreach (self::films() as $name => $film) {
            foreach ($film->takes as $id => $take) {
                $answers["{$name}, {$id}"] = [
                    $take->used, $take->flawed, $take->flags, $take->isUsable(), $take->isWaiting(), $take->needsAttention(),
                    $take->content->cleanVoice, $take->content->pauses,
                    array_map(
                        fn (string $line): array => [$take->at($line, 0.3), $take->placesIn($line)], array_column($take->lines, 'id'),
                    ),
                ];
            }
            $answers[$name] = $film->coverage;
            foreach ($film->coverage->sections as $id => $section) {
                $own = array_values(array_filter($film->takes, fn (TakeView $t): bool => $t->section === $id));
                $answers["{$name}, {$id}"] = SectionState::of($section, $own, [], 9_000, 8_000)->toArray();
            }
        }
        Recorded::same('coverage', $answers);
    }

    public function test_what_is_seen(): void
    {
        $answers = [];
        foreach (self::films() as $name => $film) {
            $assembly = $film->plan->assembly;
            $answers[$name] = [
                $assembly->frames(), $assembly->length(), $assembly->chapters(), array_column($assembly->missing, 'id'),
                $film->plan->hash(),
                $film->plan->sections(), $film->plan->takes(), $film->plan->silences, $film->plan->idle,
            ];
            foreach ($assembly->segments as $n => $segment) {
                $answers["{$name}, segment {$n}"] = [
                    $segment->sectionId, $segment->startFrame, $segment->frames, $segment->map?->toArray(), $segment->join->toArray(),
                    WordFrames::of($segment, $film->texts), SoundPlan::clickFrames($segment), SoundPlan::silentFrames($segment),
                ];
                foreach ($segment->shots as $shot) {
                    $answers["{$name}, segment {$n}, frame {$shot->offset}"] = $shot;
                }
            }
        }
        Recorded::same('seen', $answers);
    }

    public function test_what_is_seen_again_behind_words(): void
    {
        $answers = [];
        foreach (self::films() as $name => $film) {
            foreach ($film->script->sections as $s => $section) {
                $lines = $section->lines;
                foreach ($lines === [] ? [] : $section->cues as $n => $cue) {
                    $at = WordPlace::before($lines[$n % count($lines)], 2);
                    $answers["{$name}, section {$s}, cue {$n}"] = HeldCue::at(
                        $film->script, $section, $cue, $at, $film->style, ['One', 'Two', 'Three'],
                    );
                }
            }
        }
        Recorded::same('held', $answers);
    }

    public function test_how_pictures_are_made(): void
    {
        $answers = [];
        foreach (self::films() as $name => $film) {
            foreach (PicturePieces::of($film->plan->assembly, $film->plan->quality) as $n => $piece) {
                $answers["{$name}, piece {$n}"] = [
                    $piece->key('encoder'), $piece->length(),
                    $piece instanceof TransitionSpec ? $piece->arguments('out') : ShotCommand::arguments($piece, 'out'),
                    $piece instanceof ShotSpec ? [$piece->files(), $piece->scripts(), $piece->drawings()] : $piece->join,
                ];
                if ($piece instanceof ShotSpec && $piece->frames > 12) {
                    $answers["{$name}, piece {$n}, part"] = ShotCommand::arguments(
                        $piece->part(5, $piece->frames - 9)->fading('fade=in:0:5'), 'out',
                    );
                }
            }
        }
        Recorded::same('pictures', $answers);
    }

    public function test_what_is_heard(): void
    {
        $answers = [];
        foreach (self::films() as $name => $film) {
            $plan = $film->plan->sound();
            $answers[$name] = $plan;
            foreach (SoundPart::all($plan) as $n => $part) {
                $answers["{$name}, part {$n}"] = [
                    $part->toArray(), $part->leadFrom(), $part->tailUntil(), $part->frames(), $part->key('encoder'),
                ];
            }
            foreach ($plan->places as $n => $place) {
                $answers["{$name}, place {$n}"] = [
                    $place->piece->key('encoder'), $place->piece->withHandles(), $place->piece->needsNoLimiter(2.0), $place->end(),
                    $n > 0 ? $place->change($plan->places[$n - 1]) : null,
                    SoundCommand::piece($place->piece, $place->piece->sound, 1.5, 'out', $place->piece->computer?->sound),
                ];
            }
            foreach ($plan->beds as $n => $bed) {
                $answers["{$name}, bed {$n}"] = [$bed->toArray(), $bed->stretches(0, $plan->samples), $bed->stretches(100_000, 250_000)];
            }
        }
        Recorded::same('heard', $answers);
    }

    public function test_what_is_read(): void
    {
        $answers = [];
        foreach (self::films() as $name => $film) {
            $assembly = $film->plan->assembly;
            $captions = $film->plan->shownCaptions();
            $answers["{$name}, captions"] = $captions;
            foreach ($captions as $caption) {
                self::assertLessThanOrEqual($assembly->length()->count, $caption->until->count);
            }
            $set = array_values(array_filter(array_map(fn (Caption $c, int $n): ?EditedCaption => match ($n % 4) {
                1 => $c->set(['Said', 'otherwise']),
                2 => $c->set(null, false),
                default => null,
            }, $captions, array_keys($captions))));
            $answers["{$name}, captions set"] = FilmCaptions::of($assembly, $film->texts, $set);
            $answers["{$name}, hash set"] = (new FilmPlan(
                $assembly, [], -16.0, texts: $film->texts, set: $set, captionStyle: $film->style,
            ))->hash();
            $answers["{$name}, files"] = [
                TimedText::webVtt($captions), TimedText::subRip($captions), TimedText::chapters($assembly->chapters()),
                TimedText::chapterList($assembly->chapters()), Transcript::of('Tides', $assembly, $film->texts),
                TimedLines::of($assembly, $film->texts), ChapterFile::write('Tides; one', $assembly->chapters()),
            ];
            $answers["{$name}, burned"] = CaptionScript::write($captions, FrameSize::of(1280, 720), $film->style);
            $list = EditList::of('Tides', $assembly);
            $names = array_combine($list->files(), array_map(fn (string $hash): string => "media/{$hash}.mov", $list->files()));
            $answers["{$name}, edit list"] = [$list, Edl::write($list, $names), Otio::write($list, $names)];
            $slides = Handout::of($assembly, $film->texts);
            $answers["{$name}, handout"] = $slides;
            foreach (HandoutLayout::cases() as $layout) {
                $answers["{$name}, handout {$layout->name}"] = HandoutPages::draw('Tides', $slides, $layout, []);
            }
            $answers["{$name}, ready"] = (new Readiness(
                $film->script, [new DeckSlide('One', false), new DeckSlide('Two', true, 3), new DeckSlide('Three')],
                $film->style->layout, Pace::assumed(),
                unspoken: [0 => [1, 2]], beds: $film->beds, idleSpeeds: [0 => [0]],
            ))->findings();
        }
        Recorded::same('read', $answers);
    }
}
