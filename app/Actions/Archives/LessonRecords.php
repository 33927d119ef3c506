<?php

declare(strict_types=1);

namespace App\Actions\Archives;

use App\Models\Course;
use App\Models\Lesson;
use App\Models\WorkState;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Style\HouseStyle;
use OpenReel\Core\Take\ResultStage;
use OpenReel\Core\Take\TakeState;

/**
 * Rows of a course and of a lesson as an archive has them, and back. They are read and written as they stand in the
 * database, so that nothing changes on the way; what is set aside is among them, what is half done is not.
 */
final class LessonRecords
{
    private const COURSE = ['id', 'name', 'style'];

    private const LESSON = ['id', 'title', 'width', 'height', 'fps', 'style', 'script', 'revision'];

    /** Columns by table, and what the archive calls them. */
    private const TABLES = [
        'sections' => ['sections', ['id', 'slide_id', 'position', 'heading', 'script', 'deleted_at']],
        'slides' => ['slides', [
            'id', 'name', 'deck_id', 'page', 'position', 'text', 'look', 'path', 'mime', 'hash', 'width', 'height',
            'steps', 'film', 'deleted_at',
        ]],
        'decks' => ['decks', ['id', 'name', 'path', 'purpose', 'done', 'total', 'report']],
        'lines' => ['lines', ['id', 'section_id', 'position', 'paragraph', 'text', 'spoken_ms', 'removed_at']],
        'choices' => ['line_choices', ['line_id', 'take_id']],
        'captions' => ['set_captions', ['id', 'line_id', 'word', 'was', 'rows', 'checked']],
        'translations' => ['translations', ['id', 'language', 'line_id', 'word', 'was', 'text']],
        'music' => ['music', self::MUSIC],
    ];

    private const MUSIC = ['id', 'name', 'hash', 'path', 'loop_hash', 'loop_path', 'loop_from', 'samples', 'lufs', 'deleted_at'];

    private const LOGO = ['id', 'name', 'path', 'mime', 'hash', 'width', 'height'];

    private const TAKE = [
        'id', 'section_id', 'recorded_in', 'number', 'verdict', 'lines', 'expected_ms', 'silence_ms', 'given', 'trim', 'cuts',
        'silences', 'marker_notes', 'cleaning', 'adjustment', 'framing', 'area', 'event_rows', 'event_bytes', 'kept_order',
        'created_at',
    ];

    private const RESULT = ['version', 'input_hash', 'result'];

    private const TRACK = [
        'id', 'kind', 'mime', 'file_path', 'file_mime', 'hash', 'width', 'height', 'colour_range', 'colour_matrix',
        'length_ticks', 'offset_ticks', 'loudness', 'peak',
    ];

    /** Columns that hold JSON. */
    private const JSON = [
        'style', 'look', 'steps', 'film', 'report', 'rows', 'lines', 'given', 'trim', 'cuts', 'silences', 'marker_notes',
        'cleaning', 'adjustment', 'framing', 'area', 'result',
    ];

    private const BOOL = ['checked'];

    public function course(Course $course): \stdClass
    {
        $record = self::record((object) $course->getAttributes(), self::COURSE);
        $record->logos = self::rows(DB::table('logos')->where('course_id', $course->id), self::LOGO);
        $record->music = self::rows(DB::table('music')->where('course_id', $course->id), self::MUSIC);

        return $record;
    }

    public function lesson(Lesson $lesson): \stdClass
    {
        $record = self::record((object) $lesson->getAttributes(), self::LESSON);
        foreach (self::TABLES as $name => [$table, $columns]) {
            $query = DB::table($table)->where('lesson_id', $lesson->id);
            $record->{$name} = self::rows($name === 'decks' ? $query->where('state', WorkState::Done) : $query, $columns);
        }
        $sections = array_column($record->sections, 'id');
        $record->takes = self::rows(
            DB::table('takes')->whereIn('section_id', $sections)->where('state', TakeState::Ready),
            self::TAKE,
        );
        $takes = array_column($record->takes, null, 'id');
        foreach ($takes as $take) {
            $take->tracks = [];
            $take->results = (object) array_fill_keys(array_column(ResultStage::cases(), 'value'), []);
            $take->recorded_in = in_array($take->recorded_in, $sections, true) ? $take->recorded_in : null;
        }
        $tracks = DB::table('tracks')->whereIn('take_id', array_keys($takes))->whereNotNull('file_path')->orderBy('id');
        foreach ($tracks->get(['take_id', ...self::TRACK]) as $track) {
            $takes[$track->take_id]->tracks[] = self::record($track, self::TRACK);
        }
        foreach ($this->newestResults(array_keys($takes)) as $result) {
            $takes[$result->take_id]->results->{$result->stage}[] = self::record($result, self::RESULT);
        }
        $record->choices = array_values(array_filter($record->choices, fn (\stdClass $c): bool => isset($takes[$c->take_id])));
        // What hangs on a line that is gone for good is of no use to anybody.
        $lines = array_column($record->lines, null, 'id');
        foreach (['choices', 'captions', 'translations'] as $name) {
            $record->{$name} = array_values(
                array_filter($record->{$name}, fn (\stdClass $row): bool => isset($lines[$row->line_id])),
            );
        }
        foreach ($record->decks as $deck) {
            // Its pages can be drawn again; what it replaced here is not taken along.
            [$deck->purpose, $deck->report] = ['add', new \stdClass()];
        }
        $decks = array_column($record->decks, 'id');
        foreach ($record->slides as $slide) {
            $slide->deck_id = in_array($slide->deck_id, $decks, true) ? $slide->deck_id : null;
        }

        return $record;
    }

    /**
     * @param  list<string>  $takes  ids
     * @return list<\stdClass> one of each stage that was found out about a take
     */
    private function newestResults(array $takes): array
    {
        $newest = DB::table('take_results')->whereIn('take_id', $takes)->groupBy('take_id', 'stage')->selectRaw('max(id)');

        return array_values(DB::table('take_results')->whereIn('id', $newest)->orderBy('id')->get()->all());
    }

    public function storeCourse(\stdClass $course): Course
    {
        $course->style = self::styleOf($course);
        DB::table('courses')->insert(self::row($course, self::COURSE) + self::now());
        self::insert('logos', $course->logos, self::LOGO, ['course_id' => $course->id]);
        self::insert('music', $course->music, self::MUSIC, ['course_id' => $course->id]);

        return Course::query()->where('id', $course->id)->sole();
    }

    /** What no style can be is not kept. */
    private static function styleOf(\stdClass $record): \stdClass
    {
        return (object) HouseStyle::possible((array) $record->style);
    }

    public function storeLesson(\stdClass $lesson, ?string $courseId): Lesson
    {
        $lesson->style = self::styleOf($lesson);
        DB::table('lessons')->insert(self::row($lesson, self::LESSON) + ['course_id' => $courseId] + self::now());
        // What others hang on comes first.
        foreach ($lesson->decks as $deck) {
            // What it replaced elsewhere is not here: there is nothing to take back.
            [$deck->purpose, $deck->report] = ['add', new \stdClass()];
        }
        foreach (['decks', 'slides', 'sections', 'lines'] as $name) {
            $more = ['lesson_id' => $lesson->id] + ($name === 'decks' ? ['state' => WorkState::Done->value] : []);
            self::insert($name, $lesson->{$name}, self::TABLES[$name][1], $more, withTimes: $name !== 'lines');
        }
        self::insert('takes', $lesson->takes, self::TAKE, ['state' => TakeState::Ready->value, 'recording_kept' => false]);
        foreach ($lesson->takes as $take) {
            self::insert('tracks', $take->tracks, self::TRACK, ['take_id' => $take->id, 'path' => null]);
            foreach (ResultStage::cases() as $stage) {
                $more = ['take_id' => $take->id, 'stage' => $stage->value, 'created_at' => now()->toDateTimeString()];
                self::insert('take_results', $take->results->{$stage->value}, self::RESULT, $more, withTimes: false);
            }
        }
        foreach (['choices', 'captions', 'translations', 'music'] as $name) {
            [$table, $columns] = self::TABLES[$name];
            self::insert($table, $lesson->{$name}, $columns, ['lesson_id' => $lesson->id]);
        }

        return Lesson::query()->where('id', $lesson->id)->sole();
    }

    /**
     * @param  list<string>  $columns
     * @return list<\stdClass>
     */
    private static function rows(Builder $query, array $columns): array
    {
        $order = in_array('id', $columns, true) ? 'id' : $columns[0];

        return array_values(
            array_map(fn (object $row): \stdClass => self::record($row, $columns), $query->orderBy($order)->get($columns)->all()),
        );
    }

    /** @param  list<string>  $columns */
    private static function record(object $row, array $columns): \stdClass
    {
        $record = new \stdClass();
        foreach ($columns as $name) {
            $value = $row->{$name} ?? null;
            $record->{$name} = match (true) {
                is_string($value) && in_array($name, self::JSON, true) => json_decode($value, flags: JSON_THROW_ON_ERROR),
                in_array($name, self::BOOL, true) => (bool) $value,
                default => $value,
            };
        }

        return $record;
    }

    /**
     * @param  list<string>  $columns
     * @return array<string, mixed>
     */
    private static function row(\stdClass $record, array $columns): array
    {
        $row = [];
        foreach ($columns as $name) {
            $value = $record->{$name};
            $row[$name] = $value !== null && in_array($name, self::JSON, true)
                ? json_encode(
                    $value,
                    JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR,
                )
                : $value;
        }

        return $row;
    }

    /**
     * @param  array<int, \stdClass>  $records
     * @param  list<string>  $columns
     * @param  array<string, mixed>  $more
     */
    private static function insert(string $table, array $records, array $columns, array $more, bool $withTimes = true): void
    {
        $more += $withTimes ? self::now() : [];
        foreach ($records as $record) {
            DB::table($table)->insert(self::row($record, $columns) + $more);
        }
    }

    /** @return array<string, string> */
    private static function now(): array
    {
        return ['created_at' => now()->toDateTimeString(), 'updated_at' => now()->toDateTimeString()];
    }
}
