<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/** How unlike two frames sound: the distance of their vectors. */
final class Distance
{
    /**
     * Written out instead of a loop over the numbers, which takes three times as long; this is where the time goes.
     *
     * @param  list<list<float>>  $frames  of Cepstra::SIZE numbers
     * @param  list<float>  $x
     * @return list<float> the distance of each of the frames from $from to before $until
     */
    public static function row(array $frames, array $x, int $from, int $until): array
    {
        [$a, $b, $c, $d, $e, $f, $g, $h, $i, $j, $k, $l, $m, $n, $o, $p, $q, $r, $s, $t, $u, $v, $w, $y] = $x;
        $row = [];
        for ($at = $from; $at < $until; $at++) {
            $z = $frames[$at];
            $row[] = sqrt(
                ($z[0] - $a) * ($z[0] - $a) + ($z[1] - $b) * ($z[1] - $b) + ($z[2] - $c) * ($z[2] - $c) +
                ($z[3] - $d) * ($z[3] - $d) + ($z[4] - $e) * ($z[4] - $e) + ($z[5] - $f) * ($z[5] - $f) +
                ($z[6] - $g) * ($z[6] - $g) + ($z[7] - $h) * ($z[7] - $h) + ($z[8] - $i) * ($z[8] - $i) +
                ($z[9] - $j) * ($z[9] - $j) + ($z[10] - $k) * ($z[10] - $k) + ($z[11] - $l) * ($z[11] - $l) +
                ($z[12] - $m) * ($z[12] - $m) + ($z[13] - $n) * ($z[13] - $n) + ($z[14] - $o) * ($z[14] - $o) +
                ($z[15] - $p) * ($z[15] - $p) + ($z[16] - $q) * ($z[16] - $q) + ($z[17] - $r) * ($z[17] - $r) +
                ($z[18] - $s) * ($z[18] - $s) + ($z[19] - $t) * ($z[19] - $t) + ($z[20] - $u) * ($z[20] - $u) +
                ($z[21] - $v) * ($z[21] - $v) + ($z[22] - $w) * ($z[22] - $w) + ($z[23] - $y) * ($z[23] - $y),
            );
        }

        return $row;
    }
}
