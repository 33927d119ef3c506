<?php

declare(strict_types=1);

namespace Tests\Core\Script;

use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\Script;
use PHPUnit\Framework\TestCase;

/** The syntax of a script, by the examples that the page in the browser is tested with as well (tests/examples/cues.json). */
final class CueExamplesTest extends TestCase
{
    /** @var array<string, mixed> */
    private array $examples;

    protected function setUp(): void
    {
        $this->examples = (array) json_decode((string) file_get_contents(__DIR__.'/../../examples/cues.json'), true);
    }

    public function test_cues_are_found(): void
    {
        foreach ($this->examples['read'] as ['text' => $text, 'cues' => $cues]) {
            preg_match_all(Cue::PATTERN, $text, $found);
            $read = array_map(function (string $one): array {
                $cue = Cue::parse($one, 0);

                return [$cue?->kind->value, $cue?->value, $one];
            }, $found[0]);
            self::assertSame($cues, $read);
        }
    }

    public function test_cues_are_written(): void
    {
        foreach ($this->examples['write'] as [$kind, $value, $text]) {
            self::assertSame($text, Cue::write(CueKind::from($kind), $value));
        }
    }

    public function test_headings_are_known(): void
    {
        foreach ($this->examples['headings'] as [$row, , $level]) {
            $script = Script::parse($row);
            $headed = array_filter($script->sections, fn ($s): bool => $s->headingRow !== '');
            $found = $script->title !== null ? 1 : ($headed === [] ? 0 : 2);
            self::assertSame($level, $found, $row);
        }
    }
}
