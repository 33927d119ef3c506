<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\DraftVoice;
use App\Media\FiberPool;
use App\Models\Lesson;
use App\Models\Section;
use App\Queries\Film\CardPicture;
use App\Queries\Lessons\LessonStyle;
use App\Queries\Script\DraftLines;
use App\Queries\Takes\LessonCoverage;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Script\Language;

/** Has every line that nobody has spoken yet read by the stand-in voice; how long that takes is the line's estimate then. */
final class ReadDraft
{
    public function __construct(private readonly DraftVoice $voice, private readonly CardPicture $cards)
    {
    }

    /** @throws \App\Media\InfrastructureFailure */
    public function __invoke(Lesson $lesson): void
    {
        // The mark that says that it is a draft among them.
        $this->cards->drawAll($lesson);
        $language = LessonStyle::of($lesson)->language;
        $texts = DraftLines::of($lesson, LessonCoverage::of($lesson));
        $work = array_map(
            fn (string $text): \Closure => fn () => $this->voice->make($text, $language),
            array_values($texts),
        );
        FiberPool::run($work, (int) config('reel.render_slots'));
        $this->estimate($texts, $language);
    }

    /** @param  array<string, string>  $texts  by line id */
    private function estimate(array $texts, Language $language): void
    {
        $changed = [];
        foreach ($texts as $id => $text) {
            $length = ($this->voice->find($text, $language)[0] ?? null)?->length->milliseconds();
            if ($length !== null && DB::table('lines')
                ->where(['id' => $id, 'text' => $text])
                ->where('spoken_ms', '!=', $length)
                ->update(['spoken_ms' => $length]) > 0) {
                $changed[] = $id;
            }
        }
        $sections = DB::table('lines')->whereIn('id', $changed)->pluck('section_id');
        foreach (Section::query()->findMany($sections->all()) as $section) {
            $section->touch();
        }
    }
}
