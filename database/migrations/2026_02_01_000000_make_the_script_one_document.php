<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\LineSplitter;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\SectionText;
use OpenReel\Core\Script\SpeakingTime;

/** The lesson's script becomes one text with cues; lines get identities; lessons belong to courses with a house style. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('courses', function (Blueprint $table) {
            $table->ulid('id')->primary();
            $table->string('name');
            $table->json('style')->default('{}');
            $table->timestamps();
            $table->softDeletes();
        });

        Schema::create('logos', function (Blueprint $table) {
            $table->ulid('id')->primary();
            $table->foreignUlid('course_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->string('path');
            $table->string('mime');
            $table->char('hash', 64);
            $table->unsignedInteger('width');
            $table->unsignedInteger('height');
            $table->timestamps();
        });

        Schema::create('decks', function (Blueprint $table) {
            $table->ulid('id')->primary();
            $table->foreignUlid('lesson_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->string('path');
            $table->string('purpose');
            $table->string('state');
            $table->unsignedInteger('done')->default(0);
            $table->unsignedInteger('total')->default(0);
            $table->string('problem', 1000)->nullable();
            $table->json('report')->default('{}');
            $table->timestamps();
            $table->index(['lesson_id', 'created_at']);
        });

        Schema::create('lines', function (Blueprint $table) {
            $table->ulid('id')->primary();
            $table->foreignUlid('lesson_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('section_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('position')->nullable();
            $table->unsignedInteger('paragraph')->default(1);
            $table->text('text');
            $table->unsignedInteger('spoken_ms')->default(0);
            $table->timestamp('removed_at', 3)->nullable();
            $table->index(['lesson_id', 'position']);
        });

        Schema::table('lessons', function (Blueprint $table) {
            $table->foreignUlid('course_id')->nullable()->constrained()->nullOnDelete();
            $table->json('style')->default('{}');
            $table->longText('script')->default('');
            $table->unsignedInteger('revision')->default(0);
        });
        Schema::table('slides', function (Blueprint $table) {
            $table->foreignUlid('deck_id')->nullable()->constrained()->nullOnDelete();
            $table->unsignedInteger('page')->nullable();
            $table->unsignedInteger('position')->default(0);
            $table->text('text')->default('');
            $table->json('look')->default('[]');
            $table->softDeletes();
        });
        Schema::table('takes', function (Blueprint $table) {
            $table->dropUnique(['section_id', 'number']);
            $table->ulid('recorded_in')->nullable();
            $table->json('lines')->default('[]');
            $table->json('line_ticks')->default('{}');
            $table->unsignedInteger('expected_ms')->default(0);
            $table->unique(['recorded_in', 'number']);
            $table->index('section_id');
        });

        DB::table('takes')->update(['recorded_in' => DB::raw('section_id')]);
        $this->nameSlides();
        foreach (DB::table('lessons')->get() as $lesson) {
            $this->writeScript($lesson);
        }
        Schema::dropColumns('sections', ['layout', 'inset_corner', 'inset_size']);
    }

    /** Cues name slides, so no two of a lesson may share a name. */
    private function nameSlides(): void
    {
        $taken = [];
        foreach (DB::table('slides')->orderBy('lesson_id')->orderBy('id')->get() as $slide) {
            $base = trim(str_replace(['[', ']'], ' ', pathinfo($slide->name, PATHINFO_FILENAME))) ?: 'Slide';
            for ($name = $base, $n = 2; isset($taken[$slide->lesson_id][mb_strtolower($name)]); $n++) {
                $name = "{$base} {$n}";
            }
            $taken[$slide->lesson_id][mb_strtolower($name)] = true;
            DB::table('slides')
                ->where('id', $slide->id)
                ->update(['name' => $name, 'position' => count($taken[$slide->lesson_id])]);
        }
    }

    private function writeScript(stdClass $lesson): void
    {
        $sections = DB::table('sections')
            ->where('lesson_id', $lesson->id)
            ->whereNull('deleted_at')
            ->orderBy('position')
            ->orderBy('id')
            ->get();
        $slides = DB::table('slides')->where('lesson_id', $lesson->id)->pluck('name', 'id');
        $texts = [];
        foreach ($sections as $section) {
            $layout = implode(
                ', ',
                array_map(
                    fn (string $w): string => str_replace('-', ' ', $w),
                    array_diff_assoc(
                        [$section->layout, $section->inset_corner, $section->inset_size],
                        ['slide-with-inset', 'bottom-right', 'medium'],
                    ),
                ),
            );
            $cues = array_filter([
                isset($slides[$section->slide_id]) ? Cue::write(CueKind::Slide, $slides[$section->slide_id]) : '',
                $layout === '' ? '' : Cue::write(CueKind::Layout, $layout),
            ]);
            $text = trim(implode("\n", $cues)."\n\n".$section->script);
            $texts[] = new SectionText((string) $section->heading, $text);
            DB::table('sections')
                ->where('id', $section->id)
                ->update(['script' => $text]);
            $this->writeLines($lesson->id, $section, $text);
        }
        DB::table('lessons')
            ->where('id', $lesson->id)
            ->update(['script' => Script::compose($lesson->title, $texts)->write(), 'revision' => 1]);
    }

    private function writeLines(string $lesson, stdClass $section, string $text): void
    {
        $spoken = [];
        foreach (LineSplitter::split($text) as $line) {
            $id = strtolower((string) Str::ulid());
            $spoken[] = ['id' => $id, 'text' => $line->text];
            DB::table('lines')->insert([
                'id' => $id,
                'lesson_id' => $lesson,
                'section_id' => $section->id,
                'position' => $line->number,
                'paragraph' => $line->paragraph,
                'text' => $line->text,
                'spoken_ms' => SpeakingTime::ofText($line->text),
            ]);
        }
        $expected = array_sum(array_map(fn (array $l): int => SpeakingTime::ofText($l['text']), $spoken));
        DB::table('takes')
            ->where('section_id', $section->id)
            ->update(['lines' => json_encode($spoken), 'expected_ms' => $expected]);
    }
};
