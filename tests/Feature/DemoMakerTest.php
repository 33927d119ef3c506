<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\Prober;
use Illuminate\Support\Facades\File;
use OpenReel\Core\Take\EventLog;
use OpenReel\Core\Take\TakeAnnotations;
use Symfony\Component\Process\Process;

/** What drew and recorded the demo lesson does it again. */
final class DemoMakerTest extends FeatureTestCase
{
    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/reel-demo-maker-'.getmypid();
        File::makeDirectory($this->folder, force: true);
    }

    protected function tearDown(): void
    {
        File::deleteDirectory($this->folder);
        parent::tearDown();
    }

    public function test_a_take_is_recorded_by_the_stand_in_presenter(): void
    {
        (new Process([PHP_BINARY, 'demo/make/takes.php', $this->folder, '02-1-discard'], base_path(), timeout: 120))->mustRun();

        self::assertSame(['02-1-discard.webm'], array_map(basename(...), glob("{$this->folder}/*") ?: []));
        $facts = app(Prober::class)->recording("{$this->folder}/02-1-discard.webm");
        self::assertSame(['vp9', 960, 540, 'opus'], [$facts->videoCodec, $facts->width, $facts->height, $facts->audioCodec]);
        self::assertGreaterThan(4, $facts->seconds);
    }

    public function test_the_board_is_written_on_in_time_with_its_take(): void
    {
        (new Process([PHP_BINARY, 'demo/make/board.php', "{$this->folder}/log.jsonl"], base_path(), timeout: 20))->mustRun();

        self::assertFileEquals(base_path('demo/lesson/takes/06-1.events.jsonl'), "{$this->folder}/log.jsonl");
        $marks = TakeAnnotations::of(EventLog::parse((string) file_get_contents("{$this->folder}/log.jsonl")))->marks;
        self::assertCount(15, $marks);
        self::assertSame(['board:1'], array_values(array_unique(array_column($marks, 'on'))));
    }

    public function test_the_slides_are_drawn_as_pictures_and_as_a_deck(): void
    {
        (new Process(['node', 'demo/make/slides.mjs', $this->folder], base_path(), timeout: 120))->mustRun();

        self::assertCount(7, glob("{$this->folder}/0*.png") ?: []);
        self::assertSame([1920, 1080], array_slice((array) getimagesize("{$this->folder}/02.png"), 0, 2));
        self::assertStringStartsWith('%PDF-', (string) file_get_contents("{$this->folder}/deck.pdf", length: 5));
    }
}
