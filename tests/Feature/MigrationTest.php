<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Lesson;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;

/** A database from before the script was one document is brought along. */
final class MigrationTest extends FeatureTestCase
{
    public function test_sections_slides_and_layouts_become_a_script_that_says_the_same(): void
    {
        Queue::fake();
        $file = tempnam(sys_get_temp_dir(), 'reel').'.sqlite';
        touch($file);
        config([
            'database.connections.old' => ['database' => $file] + config('database.connections.sqlite'),
            'database.default' => 'old',
        ]);
        DB::setDefaultConnection('old');
        try {
            Artisan::call('migrate', [
                '--path' => 'database/migrations/2026_01_01_000000_create_first_tables.php',
                '--force' => true,
            ]);
            $this->fill();
            Artisan::call('migrate', ['--force' => true]);

            $lesson = Lesson::query()->sole();
            self::assertSame(
                "# Tides\n\n## High\n\n[slide: table]\n[layout: camera alone, top left]\n\nFind the day. Read it.\n\n## "
                    ."Low\n\n[slide: table 2]\n\nWrite it down.\n",
                $lesson->script,
            );
            $sections = $this->toldSections($lesson->id);
            self::assertSame(['camera-alone', 'slide-with-inset'], array_column($sections, 'layout'));
            self::assertSame(['table', 'table 2'], array_column(array_column($sections, 'slide'), 'name'));
            self::assertSame('Read it.', $sections[0]['takes'][0]['lines'][1]['text']);
            self::assertSame($sections[0]['lines'][1]['id'], $sections[0]['takes'][0]['lines'][1]['id']);
            // Its recording went when it was read; how its colours are meant, only a guess can tell.
            self::assertFalse($sections[0]['takes'][0]['recording_kept']);
            // What was saved goes on being the same script.
            $this->putJson("/api/lessons/{$lesson->id}/script", [
                'text' => $lesson->script.' More.',
                'revision' => $lesson->revision,
            ])->assertOk();
            self::assertSame(
                array_column($sections, 'id'),
                array_column($this->getJson("/api/lessons/{$lesson->id}")->json('sections'), 'id'),
            );
        } finally {
            DB::setDefaultConnection('sqlite');
            config(['database.default' => 'sqlite']);
            DB::purge('old');
            array_map(unlink(...), glob("{$file}*") ?: []);
        }
    }

    private function fill(): void
    {
        $now = ['created_at' => now(), 'updated_at' => now()];
        DB::table('lessons')->insert(
            ['id' => '01j00000000000000000000001', 'title' => 'Tides', 'width' => 1280, 'height' => 720, 'fps' => 25] + $now,
        );
        foreach (['01j00000000000000000000002', '01j00000000000000000000003'] as $id) {
            DB::table('slides')->insert(
                [
                    'id' => $id,
                    'lesson_id' => '01j00000000000000000000001',
                    'name' => 'table.png',
                    'path' => "{$id}.png",
                    'mime' => 'image/png',
                    'hash' => $id,
                    'width' => 16,
                    'height' => 9,
                ] + $now,
            );
        }
        DB::table('sections')->insert(
            [
                'id' => '01j00000000000000000000004',
                'lesson_id' => '01j00000000000000000000001',
                'slide_id' => '01j00000000000000000000002',
                'position' => 1,
                'heading' => 'High',
                'script' => 'Find the day. Read it.',
                'layout' => 'camera-alone',
                'inset_corner' => 'top-left',
                'inset_size' => 'medium',
            ] + $now,
        );
        DB::table('sections')->insert(
            [
                'id' => '01j00000000000000000000005',
                'lesson_id' => '01j00000000000000000000001',
                'slide_id' => '01j00000000000000000000003',
                'position' => 2,
                'heading' => 'Low',
                'script' => 'Write it down.',
                'layout' => 'slide-with-inset',
                'inset_corner' => 'bottom-right',
                'inset_size' => 'medium',
            ] + $now,
        );
        DB::table('takes')->insert(
            [
                'id' => '01j00000000000000000000006',
                'section_id' => '01j00000000000000000000004',
                'number' => 1,
                'state' => 'ready',
                'verdict' => 'kept',
                'length_ticks' => 480_000,
                'flags' => '[]',
            ] + $now,
        );
    }
}
