<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\MediaStore;
use App\Media\SlideMaker;
use App\Models\Lesson;
use App\OperationRejected;
use App\Queries\Film\AssembleLesson;
use App\Queries\Film\CardPicture;
use OpenReel\Core\Handout\Handout;
use OpenReel\Core\Handout\HandoutLayout;
use OpenReel\Core\Handout\HandoutPages;
use OpenReel\Core\Handout\HandoutSlide;

/** The slides of a lesson with their words, to be printed or read, as a PDF file. */
final class MakeHandout
{
    public function __construct(
        private readonly AssembleLesson $assemble,
        private readonly CardPicture $cards,
        private readonly SlideMaker $slides,
        private readonly MediaStore $media,
    ) {
    }

    /**
     * @return string path of a draft, for whoever asked to send and remove
     *
     * @throws OperationRejected when nothing is kept
     */
    public function __invoke(Lesson $lesson, HandoutLayout $layout): string
    {
        $plan = ($this->assemble)($lesson);
        $slides = Handout::of($plan->assembly, $plan->texts);
        if ($slides === []) {
            throw OperationRejected::conflict('No section has a kept take yet, so there is nothing to hand out. Keep at least one take.');
        }
        $this->cards->drawAll($lesson);
        $pages = HandoutPages::draw($lesson->title, $slides, $layout, $this->pictures($slides, $plan->files));
        $drafts = [];
        $out = $this->media->draft('pdf');
        try {
            foreach ($pages as $page) {
                $this->media->fill($drafts[] = $this->media->draft('svg'), $page);
            }
            $this->slides->book($drafts, $out);
        } finally {
            array_map(fn (string $draft): bool => @unlink($draft), $drafts);
        }

        return $out;
    }

    /**
     * @param  list<HandoutSlide>  $slides
     * @param  array<string, string>  $files  path on the media disk by hash
     * @return array<string, string> each picture as an address that holds it, by its hash
     */
    private function pictures(array $slides, array $files): array
    {
        $pictures = [];
        foreach ($slides as $slide) {
            $hash = $slide->picture?->hash;
            if ($hash !== null && ! isset($pictures[$hash]) && $this->media->exists($files[$hash] ?? null)) {
                $content = (string) file_get_contents($this->media->path($files[$hash]));
                $mime = getimagesizefromstring($content)['mime'] ?? 'image/png';
                $pictures[$hash] = "data:{$mime};base64,".base64_encode($content);
            }
        }

        return $pictures;
    }
}
