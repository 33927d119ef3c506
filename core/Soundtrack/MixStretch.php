<?php

declare(strict_types=1);

namespace OpenReel\Core\Soundtrack;

use OpenReel\Core\Picture\TransitionKind;

/** @internal of SoundMix: samples in which one place is heard, or two change over */
final readonly class MixStretch
{
    /**
     * @param  int  $place  index of the place that is heard; of two, of the second one
     * @param  TransitionKind|null  $change  how they change over; null where one is heard alone
     */
    public function __construct(
        public int $from,
        public int $until,
        public int $place,
        public ?TransitionKind $change = null,
    ) {
    }
}
