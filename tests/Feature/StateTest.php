<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Film\RequestExport;
use App\Actions\Script\EditScript;
use App\Jobs\ExportLessonJob;
use App\Jobs\ImportDeckJob;
use App\Media\Encoder;
use App\Media\OfficeConverter;
use App\Models\Deck;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\Slide;
use App\Models\Take;
use App\Models\WorkState;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Queue;
use OpenReel\Core\Take\Verdict;

/** What is asked twice happens once; what is refused changes nothing; what was cancelled stays cancelled. */
final class StateTest extends FeatureTestCase
{
    public function test_a_section_that_is_there_is_not_brought_back_again(): void
    {
        $lesson = Lesson::factory()->create();
        $edit = app(EditScript::class);
        $edit->add($lesson, null, 'High water', 'Find the day.');
        $section = Section::query()->findOrFail($edit->add($lesson, null, 'Low water', 'Then the other one.'));
        $text = $lesson->refresh()->script;

        $this->postJson("/api/sections/{$section->id}/restore")->assertOk();
        self::assertSame($text, $lesson->refresh()->script);
        $this->deleteJson("/api/sections/{$section->id}")->assertNoContent();
        $this->postJson("/api/sections/{$section->id}/restore")->assertOk();
        $this->postJson("/api/sections/{$section->id}/restore")->assertOk();
        self::assertSame(1, substr_count($lesson->refresh()->script, 'Then the other one.'));
    }

    public function test_a_verdict_is_not_given_when_the_rest_of_the_request_is_refused(): void
    {
        $take = Take::factory()->for($this->section())->create();

        $this->patchJson("/api/takes/{$take->id}", [
            'verdict' => 'kept',
            'used_from_ms' => 5000,
            'used_until_ms' => 4000,
        ])->assertUnprocessable();
        self::assertSame(Verdict::Undecided, $take->refresh()->verdict);
        $this->patchJson("/api/takes/{$take->id}", [
            'verdict' => 'kept',
            'used_from_ms' => 4000,
            'used_until_ms' => 5000,
        ])->assertOk();
        self::assertSame(Verdict::Kept, $take->refresh()->verdict);
    }

    public function test_ten_starts_at_once_make_one_export(): void
    {
        $processes = Processes::begin();
        try {
            [, $lesson] = $processes->call('POST', 'lessons', ['title' => 'At once']);
            [$status] = $processes->call('PUT', "lessons/{$lesson['id']}/script", [
                'text' => "# At once\n\n## Cards\n\n[card: opening, 2 s]\n",
                'revision' => $lesson['revision'],
            ]);
            self::assertSame(200, $status);
            $answers = $processes->each(10, "return \$call('POST', 'lessons/{$lesson['id']}/exports');");

            self::assertSame([202], array_unique(array_column($answers, 0)));
            self::assertCount(1, array_unique(array_column(array_column($answers, 1), 'id')));
            self::assertCount(1, $processes->call('GET', "lessons/{$lesson['id']}/exports")[1]);
        } finally {
            $processes->end();
        }
    }

    public function test_an_export_cancelled_at_the_last_moment_stays_cancelled(): void
    {
        $section = $this->section();
        $this->keep($this->record($section, Clips::spoken()));
        $export = RequestExport::row($section->lesson);
        $this->app->instance(
            Encoder::class,
            new EncoderSpy(
                app(Encoder::class),
                after: function (array $arguments) use ($export): void {
                    if (in_array('ffmetadata', $arguments, true)) {
                        $this->postJson("/api/exports/{$export->id}/cancel")->assertOk();
                    }
                },
            ),
        );

        app()->call([new ExportLessonJob($export->id), 'handle']);
        self::assertSame([WorkState::Cancelled, null], [$export->refresh()->state, $export->path]);
        self::assertSame([], glob("{$this->mediaRoot}/lessons/*/exports/*"));
        self::assertSame([], $this->draftsLeft());
        (new ExportLessonJob($export->id))->failed(new \RuntimeException('too late'));
        self::assertSame(WorkState::Cancelled, $export->refresh()->state);
    }

    public function test_a_deck_cancelled_while_it_is_converted_stays_cancelled_and_leaves_nothing(): void
    {
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180]);
        $this->app->instance(
            OfficeConverter::class,
            new class implements OfficeConverter
            {
                public function toPdf(string $file, string $out): void
                {
                    copy(Decks::pdf(['One', 'Two']), $out);
                    Deck::query()->sole()->become(WorkState::Cancelled, WorkState::OPEN);
                }
            },
        );
        $presentation = new UploadedFile(Decks::presentation([['One', 'Say one.']], 'pptx'), 'deck.pptx', null, null, true);
        $this->post(
            "/api/lessons/{$lesson->id}/slides",
            ['files' => [$presentation]],
            ['Accept' => 'application/json'],
        )->assertCreated();

        self::assertSame(WorkState::Cancelled, Deck::query()->sole()->state);
        self::assertSame(0, Slide::query()->count());
        self::assertSame(
            [],
            array_filter(File::allFiles($this->mediaRoot, true), fn ($file): bool => $file->getFilename() !== '.lock'),
        );
    }

    public function test_a_deck_cancelled_while_it_waits_is_not_drawn(): void
    {
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180]);
        Queue::fake();
        $this->post(
            "/api/lessons/{$lesson->id}/slides",
            ['files' => [new UploadedFile(Decks::pdf(['One']), 'deck.pdf', null, null, true)]],
            ['Accept' => 'application/json'],
        )->assertCreated();
        $deck = Deck::query()->sole();
        $this->postJson("/api/decks/{$deck->id}/cancel")->assertJson(['state' => 'cancelled']);

        app()->call([new ImportDeckJob($deck->id), 'handle']);
        self::assertSame(WorkState::Cancelled, $deck->refresh()->state);
        self::assertFileDoesNotExist($this->media()->path((string) $deck->path));
    }

    public function test_a_deck_taken_back_leaves_every_slide_where_it_stood(): void
    {
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180]);
        $this->bring($lesson, ['The tide table', 'The tide curve', 'Springs and neaps'], 'add');
        $before = Slide::query()->orderBy('position')->pluck('name')->all();
        $id = $this->bring($lesson, ['Springs and neaps', 'The tide table', 'A new page'], 'replace');
        self::assertNotSame($before, Slide::query()->orderBy('position')->pluck('name')->all());

        $this->postJson("/api/decks/{$id}/undo")->assertOk();
        self::assertSame($before, Slide::query()->orderBy('position')->pluck('name')->all());
        $this->postJson("/api/decks/{$id}/undo")->assertConflict();
    }

    public function test_an_export_that_is_over_cannot_be_cancelled(): void
    {
        $export = Export::query()->create([
            'lesson_id' => $this->section()->lesson_id,
            'state' => WorkState::Done,
            'file_name' => 'film.mp4',
        ]);

        $this->postJson("/api/exports/{$export->id}/cancel")
            ->assertOk()
            ->assertJson(['state' => 'done']);
    }

    /**
     * @param  list<string>  $pages
     * @return string id of the deck
     */
    private function bring(Lesson $lesson, array $pages, string $purpose): string
    {
        $deck = new UploadedFile(Decks::pdf($pages), 'deck.pdf', null, null, true);

        return (string) $this->post(
            "/api/lessons/{$lesson->id}/slides",
            ['files' => [$deck], 'purpose' => $purpose],
            ['Accept' => 'application/json'],
        )
            ->assertCreated()
            ->json('decks.0.id');
    }
}
