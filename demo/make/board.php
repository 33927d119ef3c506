<?php

declare(strict_types=1);

/**
 * Writes on the board of the demo's rule of twelfths, as a hand would, in time with the take that speaks it. Run again after
 * recording that take anew: php demo/make/board.php [FILE].
 */

use OpenReel\Core\Annotation\Stroke;
use OpenReel\Core\Annotation\TimedPoint;
use OpenReel\Core\Annotation\Tool;
use OpenReel\Core\Take\Event\Drawn;
use OpenReel\Core\Take\EventLog;

require __DIR__.'/../../vendor/autoload.php';

/** Twelfths an hour, and the moment at which each is said, in milliseconds. */
const HOURS = [[1, 17_400], [2, 20_000], [3, 22_000], [3, 22_900], [2, 24_700], [1, 25_900]];

/** Corners of the figures, in a box of 1 by 1. */
const FIGURES = [
    1 => [[0.25, 0.28], [0.55, 0.0], [0.55, 1.0]],
    2 => [[0.12, 0.28], [0.3, 0.02], [0.7, 0.0], [0.9, 0.25], [0.6, 0.62], [0.1, 1.0], [0.95, 0.98]],
    3 => [[0.12, 0.08], [0.55, 0.0], [0.92, 0.2], [0.45, 0.46], [0.98, 0.62], [0.7, 1.0], [0.1, 0.92]],
];

$id = 0;
$events = [];
/** @param  non-empty-list<array{float, float}>  $corners */
$write = static function (int $at, Tool $tool, string $colour, bool $thick, array $corners, int $length) use (
    &$id,
    &$events,
): void {
    /** @var non-empty-list<array{float, float}> $corners */
    $curve = smooth($corners);
    $points = [];
    foreach ($curve as $i => [$x, $y]) {
        $points[] = new TimedPoint((int) round(($i * $length) / max(1, count($curve) - 1)), round($x, 4), round($y, 4));
    }
    $events[] = new Drawn($at, 'board:1', new Stroke($tool, $colour, $thick, $points), ++$id);
};
// The ground line of the sum, then a figure an hour with as many squares of water over it.
$write(16_300, Tool::Pen, '1B2430', true, [[0.06, 0.62], [0.4, 0.618], [0.7, 0.622]], 700);
foreach (HOURS as $hour => [$twelfths, $at]) {
    $left = 0.08 + 0.105 * $hour;
    $write($at, Tool::Pen, '1B2430', true, placed(FIGURES[$twelfths], $left, 0.68, 0.045, 0.13), 420);
    $write(
        $at + 460,
        Tool::Highlighter,
        '0B5D66',
        true,
        [[$left + 0.02, 0.6], [$left + 0.02, 0.6 - 0.125 * $twelfths]],
        160 * $twelfths,
    );
}
// Half of the range, after half of the time.
$write(28_600, Tool::Pen, 'BB2B1B', true, [[0.07, 0.9], [0.22, 0.915], [0.375, 0.9]], 600);
$write(30_200, Tool::Pen, 'BB2B1B', true, placed([[0.0, 0.5], [0.35, 0.95], [1.0, 0.0]], 0.4, 0.86, 0.035, 0.06), 350);
file_put_contents($argv[1] ?? __DIR__.'/../lesson/takes/05-1.events.jsonl', EventLog::write($events));

/**
 * @param  non-empty-list<array{float, float}>  $corners
 * @return non-empty-list<array{float, float}>
 */
function placed(array $corners, float $x, float $y, float $width, float $height): array
{
    return array_map(fn (array $c): array => [$x + $c[0] * $width, $y + $c[1] * $height], $corners);
}

/**
 * Corners cut three times (Chaikin), as a pen that does not stop at them.
 *
 * @param  non-empty-list<array{float, float}>  $corners
 * @return non-empty-list<array{float, float}>
 */
function smooth(array $corners): array
{
    for ($round = 0; $round < 3; $round++) {
        $cut = [$corners[0]];
        for ($i = 1; $i < count($corners); $i++) {
            foreach ([0.25, 0.75] as $part) {
                $cut[] = [
                    $corners[$i - 1][0] + $part * ($corners[$i][0] - $corners[$i - 1][0]),
                    $corners[$i - 1][1] + $part * ($corners[$i][1] - $corners[$i - 1][1]),
                ];
            }
        }
        $cut[] = $corners[count($corners) - 1];
        $corners = $cut;
    }

    return $corners;
}
