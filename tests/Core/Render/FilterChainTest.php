<?php

declare(strict_types=1);

namespace Tests\Core\Render;

use OpenReel\Core\Picture\Ease;
use OpenReel\Core\Picture\Motion;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Render\Expression;
use OpenReel\Core\Render\FilterChain;
use OpenReel\Core\Render\FilterGraph;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class FilterChainTest extends TestCase
{
    public function test_filters_follow_each_other_from_inputs_to_a_label(): void
    {
        $chain = FilterChain::from(0, 'n1')->then('overlay', 4, 2, format: 'yuv420')->then('alphamerge')->with('')->with('a,b=1');

        self::assertSame('[0:v][n1]overlay=4:2:format=yuv420,alphamerge,a,b=1[out]', $chain->to('out'));
        self::assertSame('color=c=black:r=25[x]', FilterChain::source('color', c: 'black', r: 25)->to('x'));
    }

    #[TestWith(["it's", "it\\\\\\'s"])]
    #[TestWith(['C:\\tide', 'C\\\\:\\\\\\\\tide'])]
    #[TestWith(['a,b;[c]', 'a\\,b\\;\\[c\\]'])]
    public function test_what_an_argument_says_stays_in_it(string $says, string $written): void
    {
        self::assertSame("drawtext=text={$written}[t]", FilterChain::source('drawtext', text: $says)->to('t'));
    }

    public function test_what_is_computed_stands_in_quotes(): void
    {
        $motion = new Motion(new PixelRect(0, 0, 100, 50), 10, Ease::Steady);
        $chain = FilterChain::from('a')->then('scale', w: Expression::way($motion, 100, 60, 2), h: Expression::way($motion, 50, 50, 2));

        self::assertSame("[a]scale=w='round(100+(-40)*min(1,(n+2)/10))':h='round(50)'[b]", $chain->to('b'));
    }

    public function test_a_graph_has_labels_of_its_own(): void
    {
        $graph = new FilterGraph;
        $in = FilterChain::from($graph->input('-ss', '1', '-i', 'a.mp4'));
        self::assertSame(1, $graph->input('-i', 'b.mp4'));
        $first = $graph->add($in->then('fps', 25));
        $graph->add(FilterChain::from($first)->then('null'), 'out');

        self::assertSame(['-ss', '1', '-i', 'a.mp4', '-i', 'b.mp4'], $graph->inputs());
        self::assertSame("[0:v]fps=25[{$first}];[{$first}]null[out]", $graph->text());
    }
}
