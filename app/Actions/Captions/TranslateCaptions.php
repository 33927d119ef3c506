<?php

declare(strict_types=1);

namespace App\Actions\Captions;

use App\Models\Lesson;
use App\Models\TranslationRow;
use App\OperationRejected;
use App\Queries\Film\AssembleLesson;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\TimedTextReader;
use OpenReel\Core\Captions\Translation;
use OpenReel\Core\Captions\Translations;
use OpenReel\Core\Kernel\FormatError;

/** Captions in another language: typed beside the film's own, or brought in from a file with times. */
final class TranslateCaptions
{
    public function __construct(private readonly AssembleLesson $assemble)
    {
    }

    /**
     * @param  string  $line  id of the line in which the caption begins
     * @param  string  $was  the words it stands for
     * @param  string  $text  nothing takes it away
     */
    public function set(Lesson $lesson, string $language, string $line, int $word, string $was, string $text): void
    {
        DB::transaction(function () use ($lesson, $language, $line, $word, $was, $text): void {
            self::forget($lesson, $language, $line, $was, $word);
            if (trim($text) !== '') {
                self::keep($lesson, $language, new Translation($line, $word, $was, trim($text)));
            }
        });
    }

    /**
     * @param  string  $content  of a WebVTT or SubRip file
     * @return array{placed: int, captions: int, undo: list<array{line: string, word: int, was: string, text: string}>} how many
     *    of the captions have a text from it, and what all of them said before
     *
     * @throws FormatError|OperationRejected
     */
    public function bringIn(Lesson $lesson, string $language, string $content): array
    {
        $captions = ($this->assemble)($lesson)->captions();
        $found = Translations::placed($captions, TimedTextReader::parse($content));
        if ($found === []) {
            throw OperationRejected::conflict(
                'None of these captions is seen while something is said in this lesson. Are they of another film?',
            );
        }
        $before = array_map(fn (Caption $c): Translation => Translation::of($c, ''), $captions);
        foreach (Translations::texts($captions, TranslationRow::of($lesson->id)[$language] ?? []) as $number => $text) {
            $before[$number] = Translation::of($captions[$number], $text);
        }
        DB::transaction(function () use ($lesson, $language, $found): void {
            foreach ($found as $one) {
                self::forget($lesson, $language, $one->line, $one->was, $one->word);
                self::keep($lesson, $language, $one);
            }
        });

        return [
            'placed' => count($found),
            'captions' => count($captions),
            'undo' => array_map(
                fn (Translation $t): array => ['line' => $t->line, 'word' => $t->word, 'was' => $t->was, 'text' => $t->text],
                array_values($before),
            ),
        ];
    }

    private static function keep(Lesson $lesson, string $language, Translation $one): void
    {
        TranslationRow::query()->create([
            'lesson_id' => $lesson->id, 'language' => $language, 'line_id' => $one->line, 'word' => $one->word,
            'was' => $one->was, 'text' => $one->text,
        ]);
    }

    private static function forget(Lesson $lesson, string $language, string $line, string $was, int $word): void
    {
        TranslationRow::query()
            ->where(['lesson_id' => $lesson->id, 'language' => $language, 'line_id' => $line, 'word' => $word])
            ->where('was', $was)
            ->delete();
    }
}
