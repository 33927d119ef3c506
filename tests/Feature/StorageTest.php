<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Storage\ClearTakes;
use App\Models\ClearedTake;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Slide;
use App\Models\Take;
use App\Queries\Storage\StrayFiles;
use App\Upkeep\Upkeep;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** What takes up room, what of it can go, and what that costs. */
final class StorageTest extends FeatureTestCase
{
    public function test_what_is_set_aside_goes_on_purpose_and_comes_back_as_it_was(): void
    {
        $section = $this->section();
        $kept = $this->keep($this->record($section, Clips::spoken()));
        $aside = $this->record($section, Clips::spoken());
        $this->patchJson("/api/takes/{$aside->id}", ['verdict' => 'discarded'])->assertOk();
        $told = $this->told($section->lesson);
        self::assertSame([1, 0], [$told['discarded'], $told['cleared']['takes']]);
        self::assertGreaterThan(1000, $told['kinds']['discarded']);
        self::assertGreaterThan(1000, $told['kinds']['kept']);
        self::assertGreaterThan(1000, $told['kinds']['recordings']);
        $rows = fn (): array => [
            DB::table('takes')->where('id', $aside->id)->first(),
            DB::table('take_summaries')->where('take_id', $aside->id)->first(),
            DB::table('take_results')->where('take_id', $aside->id)->pluck('result', 'stage')->all(),
        ];
        $before = $rows();
        self::assertNotSame([], $before[2]);

        $this->postJson("/api/lessons/{$section->lesson_id}/cleared-takes")->assertOk()->assertJson(['takes' => 1]);
        self::assertSame([$kept->id], Take::query()->pluck('id')->all());
        $this->getJson("/api/takes/{$aside->id}")->assertNotFound();
        $told = $this->told($section->lesson);
        self::assertSame([0, 1, 0], [$told['discarded'], $told['cleared']['takes'], $told['kinds']['discarded']]);
        self::assertGreaterThan(1000, $told['kinds']['cleared']);
        // Its number stays its own.
        self::assertSame(3, $this->record($section, Clips::spoken())->number);
        self::assertSame([], $this->stray());

        $this->postJson("/api/lessons/{$section->lesson_id}/cleared-takes/restore")->assertOk()->assertJson(['takes' => 1]);
        self::assertEquals($before, $rows());
        $this->get("/api/takes/{$aside->id}/media")->assertOk();
        self::assertSame(0, ClearedTake::query()->count());
    }

    public function test_after_a_month_what_was_cleared_is_gone_and_nothing_else(): void
    {
        $section = $this->section();
        $kept = $this->keep($this->record($section, Clips::spoken()));
        $aside = $this->record($section, Clips::spoken());
        $this->patchJson("/api/takes/{$aside->id}", ['verdict' => 'discarded'])->assertOk();
        $this->postJson("/api/lessons/{$section->lesson_id}/cleared-takes")->assertOk();

        $this->travel(29)->days();
        app(ClearTakes::class)->forget();
        self::assertDirectoryExists($this->media()->path($aside->folder()));
        $this->travel(2)->days();
        app(Upkeep::class)();
        self::assertDirectoryDoesNotExist($this->media()->path($aside->folder()));
        self::assertDirectoryExists($this->media()->path($kept->folder()));
        self::assertSame(0, ClearedTake::query()->count());
        $this->postJson("/api/lessons/{$section->lesson_id}/cleared-takes/restore")->assertOk()->assertJson(['takes' => 0]);
    }

    public function test_older_films_go_but_for_the_newest_and_what_is_published(): void
    {
        $section = $this->section();
        $this->patchJson("/api/sections/{$section->id}", ['script' => '[card: opening, 2 s] Hello.'])->assertOk();
        $films = [];
        foreach (['One.', 'Two.', 'Three.'] as $words) {
            $this->patchJson("/api/sections/{$section->id}", ['script' => "[card: opening, 2 s] {$words}"])->assertOk();
            $films[] = $this->postJson("/api/lessons/{$section->lesson_id}/exports")->assertJson(['state' => 'done'])->json('id');
        }
        $this->postJson("/api/lessons/{$section->lesson_id}/publication", ['export_id' => $films[0]])->assertSuccessful();
        self::assertSame(1, $this->told($section->lesson)['older_films']['films']);

        $gone = Export::query()->findOrFail($films[1]);
        $this->deleteJson("/api/lessons/{$section->lesson_id}/older-films")->assertOk()->assertJson(['films' => 1]);
        self::assertEqualsCanonicalizing([$films[0], $films[2]], Export::query()->pluck('id')->all());
        self::assertSame([], glob($this->media()->path("lessons/{$section->lesson_id}/exports/{$gone->id}*")) ?: []);
        $this->get("/api/exports/{$films[0]}/file")->assertOk();
        self::assertSame([], $this->stray());
    }

    public function test_a_deleted_lesson_goes_for_good_with_all_its_files(): void
    {
        $section = $this->section();
        $other = $this->section();
        $this->keep($this->record($section, Clips::spoken()));
        $this->keep($this->record($other, Clips::spoken()));
        $film = $this->postJson("/api/lessons/{$section->lesson_id}/exports")->assertJson(['state' => 'done'])->json('id');
        $this->postJson("/api/lessons/{$section->lesson_id}/publication", ['export_id' => $film])->assertSuccessful();
        $this->deleteJson("/api/lessons/{$section->lesson_id}/for-good")->assertStatus(409);

        $this->deleteJson("/api/lessons/{$section->lesson_id}")->assertNoContent();
        self::assertTrue($this->told($section->lesson)['deleted']);
        $this->deleteJson("/api/lessons/{$section->lesson_id}/for-good")->assertNoContent();
        self::assertSame([$other->lesson_id], Lesson::withTrashed()->pluck('id')->all());
        self::assertDirectoryDoesNotExist($this->media()->path("lessons/{$section->lesson_id}"));
        self::assertSame(1, Take::query()->count());
        self::assertSame(0, DB::table('versions')->count() + DB::table('publications')->count());
        self::assertSame([], $this->stray());
    }

    public function test_what_belongs_to_nothing_is_named_and_removed_when_asked(): void
    {
        $section = $this->section();
        $take = $this->keep($this->record($section, Clips::spoken()));
        $this->get("/api/takes/{$take->id}/poster");
        self::assertSame([], $this->stray());

        $strays = ["lessons/{$section->lesson_id}/takes/gone/media.webm", "{$take->folder()}/old.webm", 'logos/x.png'];
        foreach ($strays as $name) {
            $this->media()->write($name, 'left over');
        }
        // What was just written may not be known yet.
        Artisan::call('reel:sweep');
        self::assertStringContainsString('Every file belongs to something.', Artisan::output());
        self::assertEqualsCanonicalizing($strays, $this->stray());
        Artisan::call('reel:sweep', ['--remove' => true]);
        self::assertStringContainsString('3 files', Artisan::output());
        self::assertSame([], $this->stray());
        $this->get("/api/takes/{$take->id}/media")->assertOk();
    }

    public function test_what_a_replaced_deck_can_bring_back_belongs_to_it(): void
    {
        $lesson = $this->section()->lesson;
        $bring = fn (string $first, string $purpose): string => $this->post("/api/lessons/{$lesson->id}/slides", [
            'files' => [new UploadedFile(Decks::pdf([$first, 'Two']), 'deck.pdf', null, null, true)], 'purpose' => $purpose,
        ])->assertCreated()->json('decks.0.id');
        $bring('One', 'add');
        $before = $this->get('/api/slides/'.Slide::query()->orderBy('position')->value('id').'/picture')->streamedContent();
        $deck = $bring('One more', 'replace');
        self::assertSame([], $this->stray());
        $this->postJson("/api/decks/{$deck}/undo")->assertOk();
        $after = $this->get('/api/slides/'.Slide::query()->orderBy('position')->value('id').'/picture')->streamedContent();
        self::assertSame(md5($before), md5($after));
    }

    public function test_rendered_pieces_can_go_and_are_made_anew(): void
    {
        $section = $this->section();
        $this->keep($this->record($section, Clips::spoken()));
        $this->postJson("/api/lessons/{$section->lesson_id}/exports")->assertJson(['state' => 'done']);
        $cache = fn (): array => $this->getJson('/api/storage')->json('cache');
        self::assertGreaterThan(1000, $cache()['bytes']);
        // It may be in use.
        $this->deleteJson('/api/storage/cache')->assertJson(['bytes' => 0]);
        foreach (array_keys(iterator_to_array($this->media()->filesIn('renders'))) as $name) {
            touch($this->media()->path("renders/{$name}"), time() - 86_400);
        }
        $this->deleteJson('/api/storage/cache')->assertOk();
        self::assertSame(0, $cache()['bytes']);
        $this->postJson("/api/lessons/{$section->lesson_id}/exports")->assertJson(['state' => 'done']);
    }

    /** @return array<string, mixed> */
    private function told(Lesson $lesson): array
    {
        /** @var list<array<string, mixed>> $all */
        $all = $this->getJson('/api/storage')->assertOk()->json('lessons');

        return array_column($all, null, 'id')[$lesson->id];
    }

    /** @return list<string> files that belong to nothing, were all of them old */
    private function stray(): array
    {
        foreach (array_keys(iterator_to_array($this->media()->filesIn(''))) as $name) {
            touch($this->media()->path($name), time() - 86_400);
        }

        return array_keys(app(StrayFiles::class)->all());
    }
}
