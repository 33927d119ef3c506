<?php

declare(strict_types=1);

namespace Tests\Core\Captions;

use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\CaptionSegmenter;
use OpenReel\Core\Captions\EditedCaption;
use OpenReel\Core\Captions\EditedCaptions;
use OpenReel\Core\Captions\TimedWord;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What a person says of captions holds for as long as the script says these words. */
final class EditedCaptionTest extends TestCase
{
    private const LINES = ['a' => 'The moon pulls the sea.', 'b' => 'Twice a day it comes, and twice it goes.'];

    public function test_a_caption_that_was_set_stays_and_the_rest_is_cut_around_it(): void
    {
        $set = new EditedCaption('b', 2, 'day it comes, and', ['DAY, and it COMES,', 'and']);
        $captions = $this->cut(self::LINES, [$set]);

        self::assertSame(
            ['The moon pulls the sea. Twice a', 'DAY, and it COMES, and', 'twice it goes.'],
            array_map(fn (Caption $c): string => $c->text(), $captions),
        );
        self::assertSame([false, true, false], array_column($captions, 'isChecked'));
        self::assertSame('day it comes, and', $captions[1]->said());
    }

    public function test_it_follows_its_words_when_the_line_is_changed_before_them(): void
    {
        $set = new EditedCaption('b', 0, 'Twice a day it comes,', ['Twice a day:']);
        $moved = $this->cut(['b' => 'At Saltmarsh: Twice a day it comes, and twice it goes.'], [$set]);
        $other = $this->cut(['b' => 'Once a day it comes, and twice it goes.'], [$set]);

        self::assertContains('Twice a day:', array_map(fn (Caption $c): string => $c->text(), $moved));
        self::assertSame([], array_filter($other, fn (Caption $c): bool => $c->isChecked), 'these words nobody has read');
    }

    public function test_what_was_checked_before_its_words_changed_is_told(): void
    {
        $read = new EditedCaption('b', 0, 'Twice a day it comes,', ['Twice a day:']);
        $set = [$read, new EditedCaption('a', 0, 'Gone.', isChecked: false)];
        $captions = $this->cut(['b' => 'Once a day it comes, and twice it goes.'], $set);
        $gone = EditedCaptions::gone($captions[0]->words, $set);

        self::assertSame([$set[0]], $gone, 'nobody had read the other');
        self::assertSame('Twice a day:', $captions[0]->before($gone));
        self::assertNull($this->cut(self::LINES, [$set[0]])[1]->before($gone), 'it is checked as it stands');
    }

    public function test_of_two_that_say_the_same_each_keeps_its_place(): void
    {
        $lines = ['a' => 'Wait. Wait.'];
        $captions = $this->cut($lines, [new EditedCaption('a', 1, 'Wait.', ['second']), new EditedCaption('a', 0, 'Wait.', ['first'])]);

        self::assertSame(['first', 'second'], array_map(fn (Caption $c): string => $c->text(), $captions));
    }

    public function test_nobody_can_set_two_captions_for_one_word(): void
    {
        $set = [new EditedCaption('a', 0, 'The moon', ['one']), new EditedCaption('a', 1, 'moon pulls', ['two'])];

        self::assertSame(
            'one pulls the sea.',
            implode(' ', array_map(fn (Caption $c): string => $c->text(), $this->cut(['a' => self::LINES['a']], $set))),
        );
    }

    #[TestWith([1, 'The moon pulls the sea. Twice', 'a day it comes, and twice it goes.'])]
    #[TestWith([-2, 'The moon pulls', 'the sea. Twice a day it comes, and twice it goes.'])]
    public function test_its_end_moves_by_words(int $by, string $first, string $second): void
    {
        [$one, $two] = $this->cut(self::LINES, [
            new EditedCaption('a', 0, self::LINES['a']), new EditedCaption('b', 0, self::LINES['b']),
        ]);
        $moved = $one->endLater($two, $by) ?? [];

        self::assertSame([$first, $second], array_map(fn (EditedCaption $c): string => $c->was, $moved));
        self::assertSame([[], []], array_map(fn (EditedCaption $c): array => $c->rows, $moved), 'laid out by the rules');
        self::assertSame([false, false], array_map(fn (EditedCaption $c): bool => $c->isChecked, $moved), 'to be read again');
    }

    public function test_what_somebody_typed_stays_when_its_end_moves_and_none_is_emptied(): void
    {
        [$one, $two] = $this->cut(self::LINES, [
            new EditedCaption('a', 0, self::LINES['a'], ['Mond']), new EditedCaption('b', 0, self::LINES['b']),
        ]);

        $moved = $one->endLater($two, 1) ?? [];
        self::assertSame([['Mond'], []], array_map(fn (EditedCaption $c): array => $c->rows, $moved));
        self::assertNull($one->endLater($two, -5));
        self::assertNull($one->endLater($two, 9));
    }

    public function test_what_reads_badly_is_said(): void
    {
        $caption = fn (float $seconds, string ...$rows): ?string => (new Caption(
            $rows === [] ? [''] : array_values($rows), Tick::zero(), Tick::ofSeconds($seconds),
        ))->problem();

        self::assertNull($caption(2.0, 'Twenty-one characters'));
        $fast = 'There are 42 characters a second to be read; most people read 20.';
        self::assertSame($fast, $caption(0.5, 'Twenty-one characters'));
        self::assertSame('A row has 50 characters; 42 can be seen on a phone.', $caption(7.0, str_repeat('x', 50)));
        self::assertSame('It has more than two rows.', $caption(7.0, 'a', 'b', 'c'));
    }

    public function test_words_that_fit_into_no_two_rows_are_shown_all_the_same(): void
    {
        $long = implode(' ', array_fill(0, 30, 'Wasserstand'));
        [$caption] = $this->cut(['a' => $long], [new EditedCaption('a', 0, $long)]);

        self::assertSame($long, $caption->text());
        self::assertGreaterThan(2, count($caption->rows));
    }

    /**
     * @param  array<string, string>  $lines
     * @param  list<EditedCaption>  $set
     * @return list<Caption>
     */
    private function cut(array $lines, array $set): array
    {
        $words = [];
        $at = 0.0;
        foreach ($lines as $line => $text) {
            foreach (explode(' ', $text) as $n => $word) {
                $words[] = new TimedWord($word, Tick::ofSeconds($at), Tick::ofSeconds($at + 0.4), $line, $n);
                $at += 0.45;
            }
            $at += 0.6;
        }

        return CaptionSegmenter::of($words, FrameRate::of(25), $set);
    }
}
