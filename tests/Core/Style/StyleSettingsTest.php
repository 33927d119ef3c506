<?php

declare(strict_types=1);

namespace Tests\Core\Style;

use OpenReel\Core\Style\HouseStyle;
use OpenReel\Core\Style\StyleSetting;
use OpenReel\Core\Style\StyleSettings;
use PHPUnit\Framework\TestCase;

final class StyleSettingsTest extends TestCase
{
    private const WORDS = __DIR__.'/../../../resources/js/ui/style/words.ts';

    public function test_what_each_is_by_default_and_what_is_offered_can_be(): void
    {
        foreach (StyleSettings::all() as $name => $setting) {
            foreach ([$setting->default, ...$setting->choices] as $value) {
                self::assertTrue($setting->allows($value), "{$name} can be ".json_encode($value));
                self::assertSame($value, HouseStyle::of([$name => $value])->toArray()[$name]);
            }
            self::assertFalse($setting->allows(['x']), "{$name} is no list");
            self::assertFalse($setting->allows(true), "{$name} is not on or off as a truth");
        }
    }

    public function test_each_stands_in_one_group_and_has_a_name_in_the_interface(): void
    {
        $names = array_map(fn (StyleSetting $s): string => $s->name, array_merge(...array_values(StyleSettings::groups())));
        self::assertSame($names, array_values(array_unique($names)));
        self::assertSame(['width', 'height', 'fps'], StyleSettings::once());

        preg_match_all('/^    (\w+): \{(?: label|$)/m', (string) file_get_contents(self::WORDS), $labelled);
        self::assertEqualsCanonicalizing(array_values(array_diff($names, ['width', 'height'])), $labelled[1]);
    }
}
