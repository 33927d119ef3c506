<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Film\ExportLesson;
use App\Actions\Film\RequestExport;
use App\Actions\Lessons\ImportFolder;
use App\Models\Lesson;
use App\Models\Take;
use Illuminate\Support\Facades\File;

/** A lesson of twelve recorded sections in full HD, and how long its film takes. */
final class TwelveSections
{
    public const COUNT = 12;

    /** What each section says. */
    public const WORDS = 'First come the words. Then there are more of them. At last it ends.';

    public function __construct(private readonly ImportFolder $import, private readonly ExportLesson $export)
    {
    }

    public function make(string $folder): Lesson
    {
        $source = "{$folder}/lesson";
        File::deleteDirectory($source);
        File::makeDirectory("{$source}/takes", recursive: true);
        File::makeDirectory("{$source}/slides");
        $clip = is_file("{$folder}/clip.webm") ? "{$folder}/clip.webm" : SampleTake::make($folder);
        $script = "# Twelve sections\n";
        $slides = glob(base_path('demo/lesson/slides/*.png')) ?: throw new \RuntimeException('The demo has no slides.');
        for ($section = 1; $section <= self::COUNT; $section++) {
            $script .= "\n## Section {$section}\n\n".self::WORDS."\n";
            copy($clip, sprintf('%s/takes/%02d-1.webm', $source, $section));
            copy($slides[$section % count($slides)], sprintf('%s/slides/%02d.png', $source, $section));
        }
        // A little different each, so that nothing is rendered once for all.
        copy($clip, "{$source}/takes/06-2-undecided.webm");
        file_put_contents("{$source}/script.md", $script);
        $lesson = ($this->import)($source, ['width' => 1920, 'height' => 1080, 'fps' => 30], whole: true);
        /** @var list<Take> $takes */
        $takes = Take::query()
            ->whereIn('section_id', $lesson->sections()->pluck('id'))
            ->get()
            ->all();
        foreach ($takes as $index => $take) {
            $take->update(['trim' => [[480 * ($index + 1), $take->summary->length_ticks]]]);
        }

        return $lesson;
    }

    public function exportSeconds(Lesson $lesson): float
    {
        $export = RequestExport::row($lesson);
        $start = hrtime(true);
        ($this->export)($export);

        return (hrtime(true) - $start) / 1e9;
    }
}
