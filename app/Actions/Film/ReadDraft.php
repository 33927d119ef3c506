<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\DraftVoice;
use App\Media\Workshop;
use App\Models\Lesson;
use App\Readers\CardPicture;
use App\Readers\DraftLines;
use App\Readers\LessonCoverage;
use App\Readers\LessonStyle;

/** Has every line that nobody has spoken yet read by the stand-in voice. */
final class ReadDraft
{
    public function __construct(private readonly DraftVoice $voice, private readonly CardPicture $cards)
    {
    }

    /** @throws \App\Media\Trouble */
    public function __invoke(Lesson $lesson): void
    {
        // The mark that says that it is a draft among them.
        $this->cards->drawAll($lesson);
        $language = LessonStyle::of($lesson)->language;
        $work = array_map(
            fn (string $text): \Closure => fn () => $this->voice->make($text, $language),
            array_values(DraftLines::of($lesson, LessonCoverage::of($lesson))),
        );
        Workshop::run($work, (int) config('reel.render_slots'));
    }
}
