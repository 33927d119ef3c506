<?php

declare(strict_types=1);

namespace App\Actions\Slides;

use App\Events\LessonChanged;
use App\Media\Cancelled;
use App\Media\MediaStore;
use App\Media\UnreadableFile;
use App\Models\Deck;
use App\Models\Slide;
use App\Models\WorkState;
use Illuminate\Support\Facades\DB;

/** Makes one slide of a drawing or a short film that was brought in. Nothing of the lesson changes before it is made. */
final class DrawSlide
{
    public function __construct(
        private readonly AddSlide $addSlide,
        private readonly FillSlides $fill,
        private readonly MediaStore $media,
    ) {
    }

    /** @throws UnreadableFile|Cancelled */
    public function __invoke(Deck $deck): void
    {
        $lesson = $deck->lesson;
        if (! $deck->become(WorkState::Running, WorkState::OPEN, ['total' => 1])) {
            throw Cancelled::byPresenter();
        }
        $made = $this->addSlide->made($lesson, $this->media->path($deck->path), $deck->name);
        try {
            DB::transaction(fn () => $this->settle($deck, $made));
        } catch (\Throwable $e) {
            $this->addSlide->forget($made);
            throw $e;
        }
        $this->media->delete($deck->path);
        LessonChanged::dispatch($lesson->id);
    }

    /** @param  array<string, mixed>  $made */
    private function settle(Deck $deck, array $made): void
    {
        $for = $deck->report;
        /** @var Slide|null $slide */
        $slide = isset($for['slide'])
            ? Slide::query()->where('lesson_id', $deck->lesson_id)->whereKey($for['slide'])->first()
            : null;
        if (isset($for['slide']) && $slide === null) {
            throw UnreadableFile::because('The slide that was to show this has been removed meanwhile.');
        }
        if ($slide !== null) {
            $this->addSlide->show($slide, $made);
        } else {
            $slide = $this->addSlide->add($deck->lesson, $made, pathinfo($deck->name, PATHINFO_FILENAME));
            $this->fill->one($deck->lesson, $slide, $for['section'] ?? null, (bool) ($for['fill'] ?? false));
        }
        $isDone = $deck->become(WorkState::Done, WorkState::OPEN, [
            'done' => 1, 'report' => ['added' => [['id' => $slide->id, 'name' => $slide->name]]],
        ]);
        if (! $isDone) {
            throw Cancelled::byPresenter();
        }
    }
}
