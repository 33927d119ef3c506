<?php

declare(strict_types=1);

namespace Tests\Core\Deck;

use OpenReel\Core\Deck\Page;
use OpenReel\Core\Deck\SlideTies;
use OpenReel\Core\Deck\Tie;
use OpenReel\Core\Script\Script;
use PHPUnit\Framework\TestCase;

final class SlideTiesTest extends TestCase
{
    /** The demo's slides, as their words stand on them. */
    private const DEMO = [
        'Reading the Water How to read a tide table Saltmarsh Rowing School, shore course, lesson 1',
        'Saltmarsh Quay, Saturday 14 June What When Height above datum Low water 00:28 1.1 m High water 06:42 4.8 m Low '
            .'water 12:54 1.2 m High water 19:05 4.6 m Find the day. Find the next high water. Read time and height.',
        'Between the numbers: a curve 06:42 12:54 19:05 high, 4.8 m low, 1.2 m fast fast',
        'Springs and neaps Springs 4.5 m Neaps 2 m full moon: springs new moon: springs half moon: neaps First outing? '
            .'Choose a neap.',
        'The rule of twelfths Range 4.8 - 1.2 = 3.6 m. One twelfth is 0.3 m. 1/12 hour 1 4.5 m 2/12 hour 2 3.9 m left: After '
            .'three hours half of the range is gone.',
        'Will there be water at the sill? chart datum 10:42: 2.1 m, enough 11:42: 1.5 m, mud sill 1.5 m Needed: 1.5 m sill + '
            .'0.5 m boat = 2.0 m Be back by 10:40.',
        'Before you launch When is high water, and how high? How far will it fall while you are out? When must you be back '
            .'over the sill? Tell someone ashore the last answer.',
    ];

    /** What a person would choose for the decks below: section and line of each slide in order. */
    private const KNOTS = <<<'MD'
    # Three knots

    ## Why knots

    A boat that drifts off at night was tied by somebody in a hurry. Learn three knots and you can tie up anywhere.

    ## The bowline

    Make a small loop. The rabbit comes out of the hole, round the tree, and back down. Pull it tight.

    A bowline never slips, yet it comes undone easily. Do not use it where it may be shaken loose.

    ## The clove hitch

    Take a turn round the post. Cross over and take a second turn. Tuck the end under itself.

    It is quick and adjustable. It can roll off a smooth post, so back it up with two half hitches.

    ## The cleat

    Lead the rope to the far horn first. Then figures of eight, two or three. Finish with a locking turn.

    Whoever wraps the rope ten times round a cleat has not been shown how.
    MD;

    /** Slides in words of their own, each with the place where it belongs. */
    private const KNOT_SLIDES = [
        ['Tied in a hurry, adrift at night', 0, 1],
        ['Bowline: rabbit, hole, tree', 1, 1],
        ['When a bowline slips: shaken loose', 1, 4],
        ['Clove hitch step by step: turn round the post, cross, tuck', 2, 1],
        ['Rolling off? Back up with half hitches', 2, 4],
        ['Cleat: far horn, figures of eight, locking turn', 3, 1],
    ];

    private const BIRDS = <<<'MD'
    # Birds from the boat

    ## Welcome

    Rowing is quiet, so birds let you come close. Here are five that you will meet.

    ## Herons and egrets

    The grey heron stands still in the shallows. It is as tall as a child.

    The little egret is white, with yellow feet. It walks quickly and stirs up the mud.

    ## Waders

    The curlew has a long bill, curved down. You hear it before you see it.

    The oystercatcher is black and white, with an orange bill. It opens mussels.

    ## Keep your distance

    Never row between a bird and its nest. In May and June, stay twenty metres off the reeds.
    MD;

    private const BIRD_SLIDES = [
        ['Five birds you will meet', 0, 1],
        ['Grey heron (still, tall)', 1, 1],
        ['Little egret: white plumage, yellow feet', 1, 3],
        ['Curlew: curved bill', 2, 1],
        ['Oystercatcher with its orange bill', 2, 3],
        ['Nests and reeds: twenty metres in May and June', 3, 1],
    ];

    public function test_the_demos_slides_go_where_its_author_put_them(): void
    {
        $script = Script::parse((string) file_get_contents(__DIR__.'/../../../demo/lesson/script.md'));
        $ties = SlideTies::propose($script, $this->slides(self::DEMO));

        self::assertSame([[1, 1], [2, 1], [3, 1], [4, 1], [5, 1], [7, 1], [8, 1]], $this->places($ties));
        self::assertSame(['s0', 's1', 's2', 's3', 's4', 's5', 's6'], array_map(fn (Tie $t): string => $t->slide, $ties));
        self::assertContains('twelfths', $ties[4]->shared);
        self::assertStringContainsString('"', $ties[4]->because());
    }

    public function test_nine_of_ten_ties_are_what_a_person_would_choose(): void
    {
        $right = $all = 0;
        foreach ([[self::KNOTS, self::KNOT_SLIDES], [self::BIRDS, self::BIRD_SLIDES]] as [$text, $slides]) {
            $ties = [];
            foreach (SlideTies::propose(Script::parse($text), $this->slides(array_column($slides, 0))) as $tie) {
                $ties[$tie->slide] = [$tie->section, $tie->line];
            }
            foreach ($slides as $i => [, $section, $line]) {
                $all++;
                $right += ($ties["s{$i}"] ?? null) === [$section, $line] ? 1 : 0;
            }
        }

        self::assertGreaterThanOrEqual(0.9, $right / $all, "{$right} of {$all}");
    }

    public function test_pictures_without_words_come_up_section_by_section(): void
    {
        $script = Script::parse("## One\n\nA tide.\n\n## Two\n\nA boat.\n\n## Three\n\nAn oar.\n");

        self::assertSame([[0, 1], [1, 1], [2, 1]], $this->places(SlideTies::propose($script, $this->slides(['', '', '']))));
        self::assertSame(
            'Nothing else fits better in this order.',
            SlideTies::propose($script, $this->slides(['']))[0]->because(),
        );
    }

    public function test_a_slide_that_fits_nowhere_is_left_out_and_cards_show_themselves(): void
    {
        $script = Script::parse("## Tides\n\n[card: opening]\nTides\n\n## Tides today\n\nTides rise. Tides fall. Tides turn.\n");
        $ties = SlideTies::propose($script, $this->slides(['Tides rise and fall', 'Quarterly figures of the canteen']));

        self::assertSame([['s0', 1, 1]], array_map(fn (Tie $t): array => [$t->slide, $t->section, $t->line], $ties));
        self::assertSame([], SlideTies::propose(Script::parse(''), $this->slides(['x'])));
        self::assertSame([], SlideTies::propose($script, []));
    }

    /**
     * @param  list<string>  $texts
     * @return list<Page>
     */
    private function slides(array $texts): array
    {
        return array_map(fn (string $text, int $i): Page => new Page("s{$i}", $text), $texts, array_keys($texts));
    }

    /**
     * @param  list<Tie>  $ties
     * @return list<array{int, int}>
     */
    private function places(array $ties): array
    {
        return array_map(fn (Tie $t): array => [$t->section, $t->line], $ties);
    }
}
