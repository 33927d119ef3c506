<?php

declare(strict_types=1);

namespace Tests\Core\Script;

use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueChange;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\WordPlace;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What choosing words and a picture for them does to the text of a script. */
final class CueChangeTest extends TestCase
{
    private const SCRIPT = "# Tides\n\n## One\n\nFirst line here. Second line goes on.\n\n## Two\n\nLast words.\n";

    /** @return iterable<string, array{string, string, array{int, int}, array{int, int}|null, string, string}> */
    public static function changes(): iterable
    {
        $camera = '[layout: camera alone]';
        $back = '[layout: slide with inset]';
        yield 'from a word on' => [
            self::SCRIPT, $camera, [2, 1], null, '',
            "# Tides\n\n## One\n\nFirst line here. Second {$camera} line goes on.\n\n## Two\n\nLast words.\n",
        ];
        yield 'for some words' => [
            self::SCRIPT, $camera, [1, 1], [2, 1], $back,
            "# Tides\n\n## One\n\nFirst {$camera} line here. Second {$back} line goes on.\n\n## Two\n\nLast words.\n",
        ];
        yield 'from the beginning' => [
            self::SCRIPT, $camera, [1, 0], null, '',
            "# Tides\n\n## One\n\n{$camera}\n\nFirst line here. Second line goes on.\n\n## Two\n\nLast words.\n",
        ];
        yield 'beside other cues of the beginning' => [
            "## One\n\n[slide: 2] [layout: top left]\n\nFirst line.\n", $camera, [1, 0], null, '',
            "## One\n\n[slide: 2] {$camera}\n\nFirst line.\n",
        ];
        yield 'what stood there before goes, and what stands at the end stays' => [
            "## One\n\nFirst [layout: slide alone] line [layout: top left] here [layout: side by side] now.\n",
            $camera, [1, 1], [1, 3], $back,
            "## One\n\nFirst {$camera} line here [layout: side by side] now.\n",
        ];
        yield 'other cues stay' => [
            "## One\n\nFirst [pause 1 s] line [slide] here now.\n", $camera, [1, 1], [1, 3], $back,
            "## One\n\nFirst [pause 1 s] {$camera} line [slide] here {$back} now.\n",
        ];
        yield 'one stage takes the place of another' => [
            "## One\n\nFirst [slide: 2] line here.\n", '[screen: the gauge]', [1, 1], null, '',
            "## One\n\nFirst [screen: the gauge] line here.\n",
        ];
        yield 'of what is laid over the stage several stand beside each other' => [
            "## One\n\nFirst [emphasis: box 1 1 9 9] line [emphasis: none] here now.\n",
            '[emphasis: arrow 1 1 9 9]', [1, 1], [1, 3], '[emphasis: none]',
            "## One\n\nFirst [emphasis: box 1 1 9 9] [emphasis: arrow 1 1 9 9] line [emphasis: none] here "
                ."[emphasis: none] now.\n",
        ];
        yield 'what does not hold on leaves nothing behind' => [
            "## One\n\nFirst line here now.\n", '[keys: Ctrl+S]', [1, 1], [1, 3], '',
            "## One\n\nFirst [keys: Ctrl+S] line here now.\n",
        ];
        yield 'without a heading' => ["First line here.\n", $camera, [1, 0], null, '', "{$camera}\n\nFirst line here.\n"];
        yield 'in a list' => ["- One item.\n- Two items.\n", $camera, [1, 0], null, '', "- {$camera} One item.\n- Two items.\n"];
    }

    /**
     * @param  array{int, int}  $from  line, counted from 1, and word, counted from 0
     * @param  array{int, int}|null  $until
     */
    #[DataProvider('changes')]
    public function test_a_cue_is_written_where_words_were_chosen(
        string $text,
        string $cue,
        array $from,
        ?array $until,
        string $then,
        string $expected,
    ): void {
        $script = Script::parse($text);
        $place = fn (array $at): WordPlace => WordPlace::before($script->sections[0]->lines[$at[0] - 1], $at[1]);
        $new = Cue::parse($cue, 0) ?? self::fail('It is a cue.');
        $changed = CueChange::over($script, 0, $new, $place($from), $until === null ? null : $place($until), $then);
        self::assertSame($expected, $changed);
        $again = Script::parse($changed);
        self::assertSame($changed, $again->write());
        // Saying the same again changes nothing.
        self::assertSame(
            $changed,
            CueChange::over($again, 0, $new, $place($from), $until === null ? null : $place($until), $then),
        );
        // The words are the same, and the cue stands before the one that was meant.
        $texts = fn (Script $s): array => array_map(fn ($l): string => $l->text, $s->sections[0]->lines);
        self::assertSame($texts($script), $texts($again));
        $at = WordPlace::of(array_values(array_filter($again->sections[0]->cues, fn (Cue $c): bool => $c->source() === $cue))[0]);
        self::assertSame($from, [$at->line, $at->wordIn($again->sections[0]->lines[$at->line - 1])]);
    }

    public function test_cues_are_replaced_and_taken_away(): void
    {
        $script = Script::parse("## One\n\n[slide: 2]\n\nFirst [layout: top left] line [pause 1 s].\n\n[note: ask]\n\nMore.\n");
        $with = fn (int $cue, string $with): string => CueChange::replaced($script, 0, $cue, $with);
        self::assertSame(
            "## One\n\n[slide: 2]\n\nFirst [layout: side by side] line [pause 1 s].\n\n[note: ask]\n\nMore.\n",
            $with(1, '[layout: side by side]'),
        );
        self::assertSame("## One\n\n[slide: 2]\n\nFirst line [pause 1 s].\n\n[note: ask]\n\nMore.\n", $with(1, ''));
        self::assertSame("## One\n\nFirst [layout: top left] line [pause 1 s].\n\n[note: ask]\n\nMore.\n", $with(0, ''));
        self::assertSame("## One\n\n[slide: 2]\n\nFirst [layout: top left] line [pause 1 s].\n\nMore.\n", $with(3, ''));
        self::assertSame($script->write(), $with(9, ''), 'there is none such');
    }

    public function test_what_holds_at_a_place_is_known(): void
    {
        $section = Script::parse("[slide: 2] First [camera alone] line [layout: top left] here [slide: 3] now.\n")->sections[0];
        $at = fn (int $word): WordPlace => WordPlace::before($section->lines[0], $word);
        $stage = fn (int $word): ?string => CueChange::inForce($section, CueKind::Slide, $at($word))?->source();
        self::assertSame('[slide: 2]', $stage(1), 'what stands at the place itself does not hold before it');
        self::assertSame('[camera alone]', $stage(2));
        self::assertSame('[camera alone]', $stage(3));
        self::assertNull($stage(0));
        self::assertNull(CueChange::inForce($section, CueKind::Layout, $at(2)));
        self::assertSame('[layout: top left]', CueChange::inForce($section, CueKind::Layout, $at(3))?->source());
    }

    public function test_words_are_counted_whatever_they_are_made_of(): void
    {
        $line = Script::parse("Größe — 4,8 Meter,\n  שלום 🚣 now.\n")->sections[0]->lines[0];
        foreach (range(0, 6) as $word) {
            self::assertSame($word, WordPlace::before($line, $word)->wordIn($line));
        }
        self::assertEquals(new WordPlace(2), WordPlace::before($line, 99), 'behind the last');
    }
}
