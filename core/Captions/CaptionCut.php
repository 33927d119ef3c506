<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

/** @internal of CaptionSegmenter: the words that make one caption, and how they are laid */
final readonly class CaptionCut
{
    /**
     * @param  int  $first  index of its first word
     * @param  int  $behind  index of the word behind its last
     * @param  non-empty-list<string>  $rows
     * @param  bool  $isChecked  by a person
     */
    public function __construct(public int $first, public int $behind, public array $rows, public bool $isChecked = false)
    {
    }
}
