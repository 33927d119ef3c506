<?php

declare(strict_types=1);

namespace Tests\Core\Picture;

use OpenReel\Core\Picture\SourceColour;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class SourceColourTest extends TestCase
{
    #[TestWith(['pc', 'bt709', 720, 'in_range=pc:in_color_matrix=bt709'], 'a browser\'s canvas')]
    #[TestWith(['tv', 'smpte170m', 1080, 'in_range=tv:in_color_matrix=bt601'], 'what is said counts more than the size')]
    #[TestWith(['tv', 'bt470bg', 576, 'in_range=tv:in_color_matrix=bt601'])]
    #[TestWith(['tv', 'bt2020nc', 2160, 'in_range=tv:in_color_matrix=bt2020'])]
    #[TestWith([null, null, 576, 'in_range=tv:in_color_matrix=bt601'], 'nothing said, standard definition')]
    #[TestWith([null, null, 720, 'in_range=tv:in_color_matrix=bt709'], 'nothing said, HD')]
    #[TestWith(['unknown', 'gbr', 1080, 'in_range=tv:in_color_matrix=bt709'], 'said, and unknown here')]
    public function test_what_a_container_says(?string $range, ?string $matrix, int $height, string $options): void
    {
        self::assertSame($options, SourceColour::tagged($range, $matrix, $height)->asInput());
    }
}
