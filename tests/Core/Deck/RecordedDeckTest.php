<?php

declare(strict_types=1);

namespace Tests\Core\Deck;

use OpenReel\Core\Deck\Page;
use OpenReel\Core\Deck\PageMatch;
use OpenReel\Core\Deck\ShownSlides;
use OpenReel\Core\Deck\SlideTies;
use OpenReel\Core\Deck\Tie;
use OpenReel\Core\Script\Script;
use PHPUnit\Framework\TestCase;
use Tests\Core\MadeUp;
use Tests\Core\Recorded;

/** Whole decks, tied to scripts and replaced by others. */
final class RecordedDeckTest extends TestCase
{
    public function test_slides_are_tied_as_they_were(): void
    {
        $made = new MadeUp(16);
        $answers = [];
        foreach (range(1, 25) as $round) {
            $script = Script::parse($made->script($made->between(1, 5)));
            $pages = array_map(fn (int $n): Page => $this->page($made, $script, $n), range(1, $made->between(1, 8)));
            $ties = SlideTies::propose($script, $pages);
            $shown = ShownSlides::of($script, array_map(fn (Page $p): string => $p->name, $pages));
            $answers["deck {$round}"] = [
                array_map(fn (Tie $t): array => [$t, $t->because()], $ties), $shown, $shown->all(), $shown->named('Two'),
                array_map($shown->opening(...), $script->sections),
            ];
            $now = [];
            foreach ($made->oneIn(2) ? $made->shuffled($pages) : $pages as $page) {
                if (! $made->oneIn(5)) {
                    $now[] = new Page(
                        "new-{$page->id}", $made->oneIn(3) ? $page->text.' more of it' : $page->text, $page->look, $page->name,
                    );
                }
                $made->oneIn(5) && $now[] = $this->page($made, $script, 90 + count($now));
            }
            $answers["deck {$round}, replaced"] = [
                PageMatch::newByOld($pages, $now), array_map(fn (Page $p): float => PageMatch::likeness($pages[0], $p), $now),
            ];
        }
        foreach (['tables', 'tides', 'falling', 'ran', 'high', 'heights', 'quickly', 'boxes', 'berries', 'rowed'] as $word) {
            $answers[$word] = SlideTies::stem($word);
        }
        Recorded::same('decks', $answers);
    }

    private function page(MadeUp $made, Script $script, int $number): Page
    {
        $said = implode(' ', array_map(fn ($line): string => $line->text, $script->sections[$number % count($script->sections)]->lines));
        $text = $made->oneIn(6) ? '' : ($made->oneIn(3) ? $made->sentence(8) : mb_substr($said, 0, 60).' '.$made->sentence(3));
        $look = $made->oneIn(4) ? [] : array_map(fn (): int => $made->between(0, 255), range(1, 64));

        return new Page("p{$number}", $text, $look, $made->one(['One', 'Two', "Page {$number}"]));
    }
}
