<?php

declare(strict_types=1);

namespace App\Actions\Slides;

use App\Media\Cancelled;
use App\Media\DrawnPage;
use App\Media\MediaStore;
use App\Media\Office\Presentation;
use App\Media\Office\SpeakerNotes;
use App\Media\OfficeConverter;
use App\Media\ProgramFailed;
use App\Media\SlideMaker;
use App\Media\UnreadableFile;
use App\Models\Deck;
use App\Models\WorkState;

/**
 * Draws the pages of a deck and makes slides of them. Nothing of the lesson changes before the last page is drawn.
 */
final class ImportDeck
{
    private const MOST_PAGES = 400;

    public function __construct(
        private readonly SlideMaker $slides,
        private readonly OfficeConverter $office,
        private readonly MediaStore $media,
        private readonly DrawPages $draw,
        private readonly SettleDeck $settle,
    ) {
    }

    /** @throws UnreadableFile|Cancelled */
    public function __invoke(Deck $deck): void
    {
        $notes = $this->toPdf($deck);
        $pdf = $this->media->path($deck->path);
        try {
            $pages = $this->look($pdf, $deck->name);
            $this->mustGoOn($deck, ['total' => $pages]);
            $words = $this->slides->words($pdf, $pages);
            $looks = $this->slides->looks($pdf, $pages);
        } catch (ProgramFailed $failure) {
            throw $this->unreadable($deck, 'its pages cannot be read', $failure);
        }
        $drafts = [];
        try {
            $drafts = $this->drawn($deck, $pages);
            $drawn = [];
            foreach ($drafts as $page => $draft) {
                $drawn[] = new DrawnPage(
                    $page,
                    $draft,
                    $words[$page - 1] ?? '',
                    $looks[$page - 1] ?? [],
                    $notes[$page - 1] ?? '',
                );
            }
            ($this->settle)($deck, $drawn);
        } finally {
            array_map(fn (string $draft): bool => @unlink($draft), $drafts);
        }
    }

    /** @return list<string> the speaker notes, page by page */
    private function toPdf(Deck $deck): array
    {
        $path = $this->media->path($deck->path);
        if (str_ends_with($deck->path, '.pdf')) {
            // An earlier try came this far.
            return array_values(array_map(strval(...), (array) ($deck->report['notes'] ?? [])));
        }
        $copy = $this->media->copied($path, pathinfo($deck->path, PATHINFO_EXTENSION));
        $draft = $this->media->draft('pdf');
        try {
            $this->mustBeFew(Presentation::tame($copy, $deck->name), $deck->name);
            $notes = SpeakerNotes::read($copy, $deck->name);
            $this->office->toPdf($copy, $draft);
        } finally {
            @unlink($copy);
        }
        $pdf = (string) preg_replace('/\.\w+$/', '.pdf', $deck->path);
        $this->media->commit($draft, $pdf);
        $asItCame = $deck->path;
        try {
            $this->mustGoOn($deck, ['path' => $pdf, 'report' => ['notes' => $notes] + $deck->report]);
        } catch (Cancelled $cancelled) {
            $this->media->delete($pdf);
            throw $cancelled;
        }
        $this->media->delete($asItCame);

        return $notes;
    }

    /**
     * @param  array<string, mixed>  $values  what is known of the deck now
     *
     * @throws Cancelled
     */
    private function mustGoOn(Deck $deck, array $values): void
    {
        if (! $deck->become(WorkState::Running, WorkState::OPEN, $values)) {
            throw Cancelled::byPresenter();
        }
    }

    private function look(string $pdf, string $name): int
    {
        $facts = $this->slides->look($pdf);

        return match (true) {
            $facts->isLocked => throw UnreadableFile::because(
                "\"{$name}\" is protected with a password. Save it without one and try again.",
            ),
            $facts->pages === 0 => throw UnreadableFile::because("\"{$name}\" has no pages."),
            default => $this->mustBeFew($facts->pages, $name),
        };
    }

    /** @throws UnreadableFile */
    private function mustBeFew(int $pages, string $name): int
    {
        return $pages <= self::MOST_PAGES
            ? $pages
            : throw UnreadableFile::because(
                "\"{$name}\" has {$pages} pages; at most ".self::MOST_PAGES.' can be brought in at once.',
            );
    }

    /** @return array<int, string> draft by page */
    private function drawn(Deck $deck, int $pages): array
    {
        try {
            return ($this->draw)($deck, $pages);
        } catch (ProgramFailed $failure) {
            throw $this->unreadable($deck, 'one of its pages cannot be drawn', $failure);
        }
    }

    private function unreadable(Deck $deck, string $why, ProgramFailed $failure): UnreadableFile
    {
        return UnreadableFile::because(
            $failure->tookTooLong
                ? "\"{$deck->name}\" takes too long to draw. Save it with smaller pictures or fewer effects and try again."
                : "\"{$deck->name}\" is damaged: {$why}.",
            $failure->detail,
        );
    }
}
