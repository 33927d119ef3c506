<?php

declare(strict_types=1);

namespace Tests\Core\Picture;

use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\Shape;
use PHPUnit\Framework\TestCase;

/** Parts of pictures, by the examples that the browser is tested with as well (tests/examples/crop.json). */
final class CropTest extends TestCase
{
    public function test_a_part_is_narrowed_to_a_shape_round_its_middle(): void
    {
        foreach (json_decode((string) file_get_contents(__DIR__.'/../../examples/crop.json'), true) as $example) {
            $part = array_map(floatval(...), $example['part']);
            $found = (new Crop($part['x'], $part['y'], $part['width'], $part['height']))
                ->narrowed(Shape::of($example['source']['width'], $example['source']['height']), (float) $example['aspect']);

            foreach ($example['narrowed'] as $side => $meant) {
                self::assertEqualsWithDelta($meant, $found->toArray()[$side], 0.00002, "{$example['name']}: {$side}");
            }
        }
    }
}
