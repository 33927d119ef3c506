<?php

declare(strict_types=1);

namespace Tests\Core\Analysis;

use OpenReel\Core\Analysis\SyncOffset;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class SyncOffsetTest extends TestCase
{
    #[TestWith([0])]
    #[TestWith([13])]
    #[TestWith([-240])]
    #[TestWith([160])]
    #[TestWith([4000])]
    public function testACopyIsFoundToTheSample(int $later): void
    {
        $sound = $this->babble(3 * SyncOffset::RATE, 7);
        // Louder, and with noise of its own.
        mt_srand(3);
        $copy = array_map(fn (int $v): int => (int) ($v * 0.6) + mt_rand(-300, 300), $sound);
        $copy = $later >= 0
            ? [...array_fill(0, $later, 0), ...$copy]
            : array_slice($copy, -$later);

        self::assertSame($later * 6, SyncOffset::between($sound, $copy));
    }

    public function testSomethingElseIsNoCopy(): void
    {
        self::assertNull(SyncOffset::between($this->babble(3 * SyncOffset::RATE, 1), $this->babble(3 * SyncOffset::RATE, 2)));
        self::assertNull(SyncOffset::between([], []));
        self::assertNull(SyncOffset::between(array_fill(0, 9000, 0), array_fill(0, 9000, 0)));
        self::assertNull(SyncOffset::between($this->babble(9000, 1), array_fill(0, 9000, 0)));
    }

    /** @return list<int> noise that comes and goes as speech does, after half a second of silence */
    private function babble(int $samples, int $seed): array
    {
        mt_srand($seed);
        $sound = array_fill(0, 4000, 0);
        $loud = 0;
        for ($i = 0; $i < $samples; $i++) {
            $loud = $i % 700 === 0 ? mt_rand(0, 9000) : $loud;
            $sound[] = mt_rand(-$loud, $loud);
        }

        return $sound;
    }
}
