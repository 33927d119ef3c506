<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Health\FilesCheck;
use App\Jobs\DrawCardsJob;
use App\Jobs\ImportDeckJob;
use App\Media\OfficeConverter;
use App\Media\PdfFacts;
use App\Media\ProgramFailed;
use App\Media\SlideMaker;
use App\Models\Deck;
use App\Models\Lesson;
use App\Models\Slide;
use App\Models\WorkState;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Queue;
use PHPUnit\Framework\Attributes\DataProvider;

final class DeckTest extends FeatureTestCase
{
    private const PAGES = ['The tide table', 'The tide curve', 'Springs and neaps'];

    public function test_pages_are_drawn_at_twice_the_frame_and_an_empty_script_gets_a_section_each(): void
    {
        $lesson = $this->lesson();
        $this->bring($lesson, Decks::pdf(self::PAGES))
            ->assertJsonPath('decks.0.state', 'done')
            ->assertJsonPath('decks.0.total', 3);

        $sections = $this->getJson("/api/lessons/{$lesson->id}")->json('sections');
        self::assertSame(self::PAGES, array_column($sections, 'heading'));
        self::assertSame(self::PAGES, array_column(array_column($sections, 'slide'), 'name'));
        self::assertSame([2560, 1440], [$sections[0]['slide']['width'], $sections[0]['slide']['height']]);
        $this->get($sections[0]['slide']['url'])->assertOk()->assertHeader('Content-Type', 'image/png');
        self::assertSame([], $this->draftsLeft());
    }

    public function test_speaker_notes_survive_a_worker_that_died_after_the_conversion(): void
    {
        $lesson = $this->lesson();
        $path = "lessons/{$lesson->id}/decks/half.pdf";
        copy(Decks::pdf(self::PAGES), $this->media()->pathToWrite($path));
        $deck = Deck::query()->create([
            'lesson_id' => $lesson->id,
            'name' => 'half.pptx',
            'path' => $path,
            'purpose' => 'add',
            'state' => WorkState::Running,
            'report' => ['notes' => ['Say the first.', '', 'Say the third.']],
        ]);

        app()->call([new ImportDeckJob($deck->id), 'handle']);
        self::assertSame(WorkState::Done, $deck->refresh()->state);
        $scripts = array_column($this->getJson("/api/lessons/{$lesson->id}")->json('sections'), 'script');
        self::assertStringContainsString('Say the first.', $scripts[0]);
        self::assertStringContainsString('Say the third.', $scripts[2]);
    }

    public function test_a_deck_that_cannot_be_read_leaves_nothing_behind(): void
    {
        $lesson = $this->lesson();
        file_put_contents($broken = sys_get_temp_dir().'/reel-broken.pdf', '%PDF-1.4 and nothing more');
        $this->bring($lesson, $broken)->assertJsonPath('decks.0.state', 'failed');

        self::assertSame([], glob("{$this->mediaRoot}/lessons/*/decks/*"));
        self::assertSame([], $this->draftsLeft());
    }

    public function test_a_deck_that_takes_too_long_is_not_called_damaged(): void
    {
        $slow = \Mockery::mock(SlideMaker::class);
        $slow->shouldReceive('look')->andReturn(new PdfFacts(3, false));
        $slow->shouldReceive('words')->andThrow(ProgramFailed::tookTooLong(['pdftotext'], 69.0));
        $this->app->instance(SlideMaker::class, $slow);
        $deck = $this->bring($this->lesson(), Decks::pdf(self::PAGES))->json('decks.0');

        self::assertSame('failed', $deck['state']);
        self::assertStringContainsString('takes too long to draw', $deck['problem']);
        self::assertStringNotContainsString('damaged', $deck['problem']);
    }

    public function test_the_office_suite_calls_nobody(): void
    {
        $server = stream_socket_server('tcp://127.0.0.1:0');
        self::assertNotFalse($server);
        $address = (string) stream_socket_get_name($server, false);
        // A picture by address, in a file that nothing was taken out of.
        copy(Decks::presentation([['One', 'Say one.']], 'odp'), $odp = sys_get_temp_dir().'/reel-calls-'.getmypid().'.odp');
        $zip = new \ZipArchive();
        $zip->open($odp);
        $linked = str_replace(
            '</draw:page>',
            '<draw:frame svg:x="1cm" svg:y="1cm" svg:width="5cm" svg:height="5cm"><draw:image '
                .'xmlns:xlink="http://www.w3.org/1999/xlink" xlink:href="http://'.
                $address.
                '/x.png" xlink:type="simple" xlink:show="embed" xlink:actuate="onLoad"/></draw:frame></draw:page>',
            (string) $zip->getFromName('content.xml'),
        );
        $zip->addFromString('content.xml', $linked);
        $zip->close();
        app(OfficeConverter::class)->toPdf($odp, $pdf = "{$odp}.pdf");

        self::assertStringStartsWith('%PDF-', (string) file_get_contents($pdf, length: 5));
        $read = [$server];
        $write = $except = null;
        self::assertSame(0, stream_select($read, $write, $except, 0), 'nobody knocked');
        array_map(unlink(...), [$odp, $pdf]);
    }

    public function test_cards_are_drawn_in_the_background_and_are_there_when_they_are(): void
    {
        Queue::fake([DrawCardsJob::class]);
        $lesson = $this->lesson("# Tides\n\n## Opening\n\n[card: opening, 2 s]\n");
        $this->putJson("/api/lessons/{$lesson->id}/script", [
            'text' => str_replace('Opening', 'Welcome', $lesson->script),
            'revision' => $lesson->revision,
        ])->assertOk();
        $url = (string) $this->getJson("/api/lessons/{$lesson->id}/script")
            ->assertOk()
            ->json('sections.0.card_url');
        $this->get($url)->assertNotFound();
        Queue::assertPushed(DrawCardsJob::class);

        app()->call([new DrawCardsJob($lesson->id), 'handle']);
        $this->get($url)->assertOk()->assertHeader('Content-Type', 'image/png');
    }

    public function test_four_hundred_cards_keep_nobody_waiting(): void
    {
        Queue::fake([DrawCardsJob::class]);
        $lesson = $this->lesson();
        $text =
            "# Cards\n\n".
            implode('', array_map(fn (int $i): string => "## Card {$i}\n\n[card: divider, 2 s]\n\n", range(1, 400)));
        $start = microtime(true);
        $this->putJson("/api/lessons/{$lesson->id}/script", ['text' => $text, 'revision' => $lesson->revision])->assertOk();
        $this->getJson("/api/lessons/{$lesson->id}/script")
            ->assertOk()
            ->assertJsonCount(400, 'sections');
        $this->getJson("/api/lessons/{$lesson->id}/assembly")
            ->assertOk()
            ->assertJsonPath('sections', 400);
        self::assertLessThan(8, microtime(true) - $start);
    }

    public function test_a_written_script_is_left_alone_and_slides_are_proposed(): void
    {
        $lesson = $this->lesson(
            "# Tides\n\n## Curve\n\nThe curve of the tide is steep.\n\n## Neaps\n\nAt springs the range is large, at neaps "
                ."small.\n",
        );
        $this->bring($lesson, Decks::pdf(self::PAGES));

        self::assertStringNotContainsString('[slide', $lesson->refresh()->script);
        $ties = $this->getJson("/api/lessons/{$lesson->id}/script/ties")
            ->assertOk()
            ->json();
        self::assertSame(['The tide curve', 'Springs and neaps'], array_column($ties, 'name'));
        self::assertSame('The curve', substr($lesson->script, $ties[0]['at'], 9));
        self::assertStringContainsString('"curve"', $ties[0]['because']);
    }

    public function test_replacing_the_deck_keeps_every_tie_and_lists_what_was_not_found(): void
    {
        $lesson = $this->lesson();
        $this->bring($lesson, Decks::pdf(self::PAGES));
        $script = $lesson->refresh()->script;
        $before = Slide::query()->pluck('hash', 'name');

        $report = $this->bring($lesson, Decks::pdf(['Springs and neaps, new', 'A new page', 'The tide table']), 'replace')->json(
            'decks.0',
        );
        self::assertSame(2, $report['replaced']);
        self::assertSame(['A new page'], array_column($report['added'], 'name'));
        self::assertSame(['The tide curve'], array_column($report['unmatched'], 'name'));
        self::assertSame($script, $lesson->refresh()->script);
        $slides = Slide::query()->orderBy('position')->get();
        self::assertSame(['Springs and neaps', 'A new page', 'The tide table', 'The tide curve'], $slides->pluck('name')->all());
        self::assertNotSame($before['Springs and neaps'], $slides[0]->hash);

        $this->postJson("/api/decks/{$report['id']}/undo")->assertOk();
        self::assertEquals($before->all(), Slide::query()->pluck('hash', 'name')->all());
        $this->postJson("/api/decks/{$report['id']}/undo")->assertConflict();
    }

    public function test_what_a_report_says_of_others_slides_and_of_other_files_is_not_put_back(): void
    {
        $lesson = $this->lesson();
        $this->bring($lesson, Decks::pdf(self::PAGES));
        $own = $lesson->slides()->firstOrFail();
        $strange = $this->lesson()->slides()->create($own->only([
            'name', 'path', 'mime', 'hash', 'width', 'height', 'text', 'look', 'position',
        ]));
        $deck = $lesson->decks()->firstOrFail();
        $deck->forceFill(['purpose' => 'replace', 'report' => [
            'before' => [
                $own->id => ['path' => '../../.env', 'mime' => 'text/html', 'position' => 7],
                $strange->id => ['text' => 'Not yours.'],
            ],
            'added' => [['id' => $strange->id, 'name' => 'x']],
        ]])->save();
        $this->postJson("/api/decks/{$deck->id}/undo")->assertOk();
        self::assertSame([$own->path, $own->mime], [$own->refresh()->path, $own->mime]);
        self::assertNotSame('Not yours.', $strange->refresh()->text);

        $deck->refresh()->forceFill(['state' => 'done', 'report' => ['before' => [
            $own->id => ['lesson_id' => $strange->lesson_id, 'name' => 'Other', 'text' => 'As before.', 'position' => 7],
        ]]])->save();
        $this->postJson("/api/decks/{$deck->id}/undo")->assertOk();
        self::assertSame(
            ['As before.', 7, $lesson->id], [$own->refresh()->text, $own->position, $own->lesson_id],
        );
        self::assertNotSame('Other', $own->name);

        // An upgrade takes away what such a report could do, and leaves one that was made here.
        $honest = $lesson->decks()->create([
            'name' => 'Tides.pdf', 'path' => 'x', 'purpose' => 'replace', 'state' => 'done',
            'report' => ['before' => [$own->id => ['path' => $own->path, 'position' => 1]], 'added' => []],
        ]);
        (require database_path('migrations/2026_12_01_000000_take_nothing_back_that_came_from_elsewhere.php'))->up();
        self::assertSame([], $deck->refresh()->report);
        self::assertNotSame([], $honest->refresh()->report);

        // Rows that an earlier version let in are told of, and what they name is not given out.
        $own->forceFill(['path' => '../../.env'])->save();
        $this->get("/api/slides/{$own->id}/picture")->assertStatus(500);
        $told = collect(app(FilesCheck::class)->look())->firstWhere('about', 'slides');
        self::assertSame(['bad', true], [$told?->verdict->value, str_contains((string) $told?->says, $own->id)]);
    }

    public function test_nothing_but_the_media_disk_is_reached_by_a_name(): void
    {
        mkdir("{$this->mediaRoot}/lessons", 0o755, true);
        symlink('/etc', "{$this->mediaRoot}/lessons/out");
        $outside = [
            '../x', 'lessons/../../x', '/etc/passwd', 'lessons/out/passwd', 'lessons/out', "a\0b", '..', 'lessons/./x', 'a\\b',
        ];
        $isReached = function (string $name): bool {
            try {
                return $this->media()->path($name) !== '';
            } catch (\LogicException) {
                return false;
            }
        };
        self::assertSame([], array_filter($outside, $isReached));
        self::assertSame("{$this->mediaRoot}/lessons/x/y.png", $this->media()->path('lessons/x/y.png'));
    }

    public function test_the_next_slide_stays_the_same_slide_when_the_deck_changes_its_order(): void
    {
        $lesson = $this->lesson();
        $this->bring($lesson, Decks::pdf(self::PAGES));
        $lesson->refresh();
        $this->putJson("/api/lessons/{$lesson->id}/script", [
            'text' => "## A\n\n[slide: The tide curve] One. [slide] Two.\n",
            'revision' => $lesson->revision,
        ])->assertOk();
        $this->bring($lesson, Decks::pdf(array_reverse(self::PAGES)), 'replace');

        self::assertStringContainsString('[slide: Springs and neaps] Two.', $lesson->refresh()->script);
    }

    public function test_a_cue_finds_its_slide_as_soon_as_there_is_one(): void
    {
        $lesson = $this->lesson("## A\n\n[slide: springs AND neaps]\n\nOne.\n");
        self::assertNull($this->getJson("/api/lessons/{$lesson->id}")->json('sections.0.slide'));
        $this->bring($lesson, Decks::pdf(self::PAGES));

        self::assertSame('Springs and neaps', $this->getJson("/api/lessons/{$lesson->id}")->json('sections.0.slide.name'));
    }

    public function test_one_slide_gets_another_picture_and_another_name_and_is_still_tied(): void
    {
        $lesson = $this->lesson();
        $this->bring($lesson, Decks::pdf(self::PAGES));
        $slide = Slide::query()->firstWhere('name', 'The tide curve');
        $this->post(
            "/api/slides/{$slide?->id}/picture",
            ['file' => UploadedFile::fake()->createWithContent('x.png', (string) file_get_contents(Clips::slide()))],
            ['Accept' => 'application/json'],
        )
            ->assertOk()
            ->assertJsonPath('width', 640);
        $this->patchJson("/api/slides/{$slide?->id}", ['name' => 'Curve'])->assertOk();
        $this->patchJson("/api/slides/{$slide?->id}", ['name' => 'the TIDE table'])->assertConflict();
        $this->patchJson("/api/slides/{$slide?->id}", ['name' => 'a]b'])->assertUnprocessable();

        self::assertStringContainsString('[slide: Curve]', $lesson->refresh()->script);
        self::assertSame('Curve', $this->getJson("/api/lessons/{$lesson->id}")->json('sections.1.slide.name'));
        $this->deleteJson("/api/slides/{$slide?->id}")->assertNoContent();
        self::assertContains(
            'There is no slide called "Curve".',
            array_column($this->getJson("/api/lessons/{$lesson->id}/script/ready")->json(), 'says'),
        );
        $this->postJson("/api/slides/{$slide?->id}/restore")->assertOk();
    }

    #[DataProvider('formats')]
    public function test_presentations_come_with_their_speaker_notes(string $format): void
    {
        $lesson = $this->lesson();
        $this->bring(
            $lesson,
            Decks::presentation([['Welcome aboard', "Hello, I am Wenna.\nWelcome."], ['The table', '']], $format),
            name: "deck.{$format}",
        )
            ->assertJsonPath('decks.0.problem', null)
            ->assertJsonPath('decks.0.state', 'done');

        $sections = $this->getJson("/api/lessons/{$lesson->id}")->json('sections');
        self::assertSame(['Welcome aboard', 'The table'], array_column($sections, 'heading'));
        self::assertSame(
            [['Hello, I am Wenna.', 'Welcome.'], []],
            array_map(fn (array $s): array => array_column($s['lines'], 'text'), $sections),
        );
        self::assertSame([1, 2], array_column($sections[0]['lines'], 'paragraph'));
    }

    /** @return iterable<string, array{string}> */
    public static function formats(): iterable
    {
        yield 'pptx' => ['pptx'];
        yield 'odp' => ['odp'];
    }

    public function test_without_an_office_suite_the_message_says_what_to_install(): void
    {
        config(['reel.programs.office' => '/nowhere/soffice']);
        app()->forgetInstance(OfficeConverter::class);
        $deck = Decks::presentation([['Welcome aboard', '']], 'odp');

        self::assertStringContainsString(
            'libreoffice-impress',
            $this->bring($this->lesson(), $deck, name: 'deck.odp')->json('decks.0.problem'),
        );
    }

    /** @return iterable<string, array{string, \Closure(): string, string}> */
    public static function bad(): iterable
    {
        $pdf = fn (): string => (string) file_get_contents(Decks::pdf(self::PAGES));
        yield 'empty' => ['a.pdf', fn (): string => '', '"a.pdf" is empty.'];
        yield 'no PDF' => ['a.pdf', fn (): string => 'hello', '"a.pdf" is damaged'];
        yield 'cut off' => ['a.pdf', fn (): string => substr($pdf(), 0, 300), '"a.pdf" is damaged'];
        yield 'locked' => ['a.pdf', self::locked(...), 'protected with a password'];
        yield 'too many pages' => ['a.pdf', fn (): string => self::pages(401), 'has 401 pages'];
        yield 'old format' => ['a.ppt', fn (): string => "\xD0\xCF\x11\xE0", 'Save it as .pptx, .odp or PDF'];
        yield 'no presentation' => ['a.pptx', fn (): string => 'hello', '"a.pptx" is damaged'];
    }

    /** @param  \Closure(): string  $content */
    #[DataProvider('bad')]
    public function test_what_is_no_usable_deck_is_refused_and_nothing_is_stored(
        string $name,
        \Closure $content,
        string $says,
    ): void {
        $lesson = $this->lesson();
        $file = UploadedFile::fake()->createWithContent($name, $content());
        $answer = $this->post(
            "/api/lessons/{$lesson->id}/slides",
            ['files' => [$file]],
            ['Accept' => 'application/json'],
        )->assertCreated();

        self::assertStringContainsString($says, (string) ($answer->json('refused.0') ?? $answer->json('decks.0.problem')));
        self::assertSame(0, Slide::query()->count());
        self::assertSame([], $this->draftsLeft());
    }

    public function test_an_import_can_be_cancelled_and_leaves_the_lesson_as_it_was(): void
    {
        $lesson = $this->lesson();
        $deck = $lesson
            ->decks()
            ->create(['name' => 'a.pdf', 'path' => 'a.pdf', 'purpose' => 'add', 'state' => WorkState::Running]);
        File::makeDirectory($this->mediaRoot, recursive: true, force: true);
        copy(Decks::pdf(self::PAGES), "{$this->mediaRoot}/a.pdf");
        $this->postJson("/api/decks/{$deck->id}/cancel")
            ->assertOk()
            ->assertJsonPath('state', 'cancelled');
        \App\Jobs\ImportDeckJob::dispatchSync($deck->id);

        self::assertSame(0, Slide::query()->count());
        self::assertSame(WorkState::Cancelled, Deck::query()->sole()->state);
    }

    private static function pages(int $count): string
    {
        $numbers = range(3, $count + 2);
        $kids = implode(' ', array_map(fn (int $n): string => "{$n} 0 R", $numbers));
        $pages = implode(
            '',
            array_map(fn (int $n): string => "{$n} 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 99 99]>>endobj\n", $numbers),
        );

        return "%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n2 0 obj<</Type/Pages/Kids[{$kids}]/Count "
            ."{$count}>>endobj\n{$pages}trailer<</Root 1 0 R>>\n";
    }

    /** Needs a password to be opened (standard security handler, revision 2, with keys that fit none). */
    private static function locked(): string
    {
        $key = bin2hex(str_repeat("\x5A", 32));

        return "%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj\n3 0 "
            ."obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 99 99]>>endobj\n".
            "4 0 obj<</Filter/Standard/V 1/R 2/O<{$key}>/U<{$key}>/P -44>>endobj\ntrailer<</Root 1 0 R/Encrypt 4 0 "
                ."R/ID[<00><00>]>>\n";
    }

    private function lesson(?string $script = null): Lesson
    {
        $lesson = Lesson::query()->findOrFail(
            $this->postJson('/api/lessons', ['title' => 'New', 'width' => 1280, 'height' => 720])
                ->assertCreated()
                ->json('id'),
        );
        if ($script !== null) {
            $this->putJson("/api/lessons/{$lesson->id}/script", ['text' => $script, 'revision' => $lesson->revision])->assertOk();
        }

        return $lesson->refresh();
    }

    private function bring(
        Lesson $lesson,
        string $file,
        string $purpose = 'add',
        string $name = 'deck.pdf',
    ): \Illuminate\Testing\TestResponse {
        return $this->post(
            "/api/lessons/{$lesson->id}/slides",
            [
                'files' => [UploadedFile::fake()->createWithContent($name, (string) file_get_contents($file))],
                'purpose' => $purpose,
            ],
            ['Accept' => 'application/json'],
        )->assertCreated();
    }
}
