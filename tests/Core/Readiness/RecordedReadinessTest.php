<?php

declare(strict_types=1);

namespace Tests\Core\Readiness;

use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Readiness\DeckSlide;
use OpenReel\Core\Readiness\Readiness;
use OpenReel\Core\Script\Pace;
use OpenReel\Core\Script\PaceSample;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Sound\MusicTrack;
use PHPUnit\Framework\TestCase;
use Tests\Core\MadeUp;
use Tests\Core\Recorded;

/** Whole scripts, and what is still to be done to them. */
final class RecordedReadinessTest extends TestCase
{
    public function test_scripts_lack_what_they_lacked(): void
    {
        $made = new MadeUp(19);
        $answers = [];
        foreach (range(1, 30) as $round) {
            $text = ($made->oneIn(2) ? "# Tides\n\n[target 0:40]\n\n" : '').$made->script($made->between(1, 4));
            $text .= $made->oneIn(3) ? "\n\n## Long\n\n".implode(' ', array_map(fn (): string => $made->sentence(20), range(1, 40))) : '';
            $text .= "\n\n## Last\n\n".$made->one(
                ['[card: closing, 5 s]', '[target 0:05]', '[target 9:00]', '[slide: Nowhere]', '[music: Nothing]', '[name: Ann]'],
            )
                .' '.$made->sentence($made->between(20, 50)).' '.$made->sentence(6);
            $some = fn (): array => array_values(array_filter([0, 1, 2], fn (): bool => $made->oneIn(2)));
            $answers["script {$round}"] = (new Readiness(
                Script::parse($text),
                array_slice(
                    [new DeckSlide('One', $made->oneIn(2)), new DeckSlide('Two', true, 3), new DeckSlide('Three', false)], 0,
                    $made->between(0, 3),
                ),
                $made->one(Layout::cases()),
                $made->oneIn(2) ? Pace::assumed() : Pace::learn([new PaceSample(60_000, 95_000)]),
                $some(), [$some(), $some()], $some(), $made->oneIn(2) ? [] : [new MusicTrack('Slack water', 'bed', 960_000, -18.0)],
                $made->one([null, 'Wenna Tregear']), [1 => $some()],
            ))->findings();
        }
        foreach ([
            'Isthmus', 'six sixths', 'She sells', '1/12 of 3/4 at 06:42', 'Low water.', 'x² + y² = z²', 'Worcestershire', '',
        ] as $hard) {
            $answers["hard: {$hard}"] = Readiness::isHardToSay($hard);
        }
        Recorded::same('readiness', $answers);
    }
}
