<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Lessons\MakeLesson;
use App\Actions\Slides\ImportDeck;
use App\Media\Program;
use App\Models\WorkState;

/** How long bringing in a deck of thirty pages takes, beside poppler drawing the same pages at the same size by itself. */
final class DeckBench implements Bench
{
    private const PAGES = 30;

    public function __construct(private readonly MakeLesson $make, private readonly ImportDeck $import)
    {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (! $wanted('import_vs_pdftoppm')) {
            return;
        }
        $pdf = "{$folder}/media/deck.pdf";
        @mkdir(dirname($pdf), recursive: true);
        $files = [];
        for ($page = 1; $page <= self::PAGES; $page++) {
            file_put_contents($files[] = "{$folder}/page{$page}.svg", self::page($page));
        }
        Program::run(['rsvg-convert', '-f', 'pdf', '-o', $pdf, ...$files]);
        $lesson = ($this->make)('Deck');
        mkdir("{$folder}/pages");
        $start = hrtime(true);
        Program::run([
            'pdftoppm',
            '-png',
            '-scale-to-x',
            (string) (2 * $lesson->width),
            '-scale-to-y',
            '-1',
            $pdf,
            "{$folder}/pages/p",
        ]);
        $alone = hrtime(true) - $start;
        $deck = $lesson
            ->decks()
            ->create(['name' => 'deck.pdf', 'path' => 'deck.pdf', 'purpose' => 'add', 'state' => WorkState::Waiting]);
        $start = hrtime(true);
        ($this->import)($deck);

        yield 'import_vs_pdftoppm' => [round((hrtime(true) - $start) / $alone, 2), '<= 1.2'];
    }

    private static function page(int $number): string
    {
        $bars = '';
        for ($i = 0; $i < 12; $i++) {
            $height = 60 + (($i * 37 + $number * 53) % 380);
            $bars .= sprintf(
                '<rect x="%d" y="%d" width="70" height="%d" fill="hsl(%d 40%% 60%%)"/>',
                120 + $i * 110,
                760 - $height,
                $height,
                $number * 12,
            );
        }

        return '<svg xmlns="http://www.w3.org/2000/svg" width="1600" height="900"><rect width="1600" height="900" '
            .'fill="#fbf9f4"/>'.
            "<text x=\"110\" y=\"130\" font-size=\"64\" font-family=\"sans-serif\">Page {$number}: how the water "
                ."falls</text>{$bars}</svg>";
    }
}
