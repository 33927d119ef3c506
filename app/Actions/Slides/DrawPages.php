<?php

declare(strict_types=1);

namespace App\Actions\Slides;

use App\Media\Cancelled;
use App\Media\DrawnPages;
use App\Media\FiberPool;
use App\Media\MediaStore;
use App\Media\SlideMaker;
use App\Media\UnreadableFile;
use App\MediaJobs\DrawPageJob;
use App\Models\Deck;
use App\Models\WorkState;
use OpenReel\Core\Deck\PageRequest;

/** Draws the pages of a deck at twice the frame's size; other machines, where there are some, draw beside this one. */
final class DrawPages
{
    public function __construct(
        private readonly SlideMaker $slides,
        private readonly DrawnPages $drawn,
        private readonly MediaStore $media,
    ) {
    }

    /**
     * @param  int  $pages  how many there are
     * @return array<int, string> draft by page
     *
     * @throws Cancelled|UnreadableFile|\App\Media\ProgramFailed
     */
    public function __invoke(Deck $deck, int $pages): array
    {
        $drafts = $work = [];
        $orders = $this->offered($deck, $pages);
        for ($page = 1; $page <= $pages; $page++) {
            $drafts[$page] = $this->media->draft('png');
            $work[] = function () use ($deck, $page, $drafts, $orders): void {
                if (Deck::query()->whereKey($deck->id)->value('state') === WorkState::Cancelled) {
                    throw Cancelled::byPresenter();
                }
                $this->draw($deck, $page, $drafts[$page], $orders[$page] ?? null);
                if (! is_file($drafts[$page])) {
                    throw UnreadableFile::because("Page {$page} of \"{$deck->name}\" is damaged: it could not be drawn.");
                }
                Deck::query()->whereKey($deck->id)->increment('done');
            };
        }
        try {
            FiberPool::run($work, (int) config('reel.render_slots'));
        } catch (\Throwable $e) {
            array_map(fn (string $draft): bool => @unlink($draft), $drafts);
            throw $e;
        }

        return $drafts;
    }

    /** @return array<int, PageRequest> by page; empty where this machine draws alone */
    private function offered(Deck $deck, int $pages): array
    {
        if (! DrawPageJob::isWanted()) {
            return [];
        }
        $hash = $this->media->hash($deck->path);
        $orders = [];
        for ($page = 1; $page <= $pages; $page++) {
            $orders[$page] = new PageRequest($hash, $page, 2 * $deck->lesson->width, 2 * $deck->lesson->height);
        }
        // From the end: this machine begins at the front.
        foreach (array_reverse($orders) as $order) {
            DrawPageJob::dispatch($order->toArray(), $deck->path);
        }

        return $orders;
    }

    private function draw(Deck $deck, int $page, string $draft, ?PageRequest $order): void
    {
        if ($order === null) {
            $lesson = $deck->lesson;
            $this->slides->page($this->media->path($deck->path), $page, 2 * $lesson->width, 2 * $lesson->height, $draft);
        } else {
            @rename($this->media->copied($this->drawn->draw($order, $deck->path)->path, 'png'), $draft);
        }
    }
}
