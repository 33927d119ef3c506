<?php

declare(strict_types=1);

namespace Tests\Core\Render;

use OpenReel\Core\Assembly\Chapter;
use OpenReel\Core\Kernel\FileName;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Render\ChapterFile;
use OpenReel\Core\Render\ConcatFile;
use OpenReel\Core\Render\ConcatList;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class FileFormatsTest extends TestCase
{
    #[TestWith(['How to read a tide table', 'How to read a tide table.mp4'])]
    #[TestWith(['Tides: high/low?', 'Tides high low.mp4'])]
    #[TestWith(['../../etc/passwd', 'etc passwd.mp4'])]
    #[TestWith(["line\nbreak\x00and \"quotes\"", 'line break and quotes.mp4'])]
    #[TestWith(['גאות ושפל 🌊', 'גאות ושפל 🌊.mp4'])]
    #[TestWith(['...', 'Lesson.mp4'])]
    #[TestWith(['', 'Lesson.mp4'])]
    public function test_titles_become_file_names_that_every_system_takes(string $title, string $name): void
    {
        self::assertSame($name, FileName::of($title, 'mp4'));
    }

    public function test_long_titles_are_cut(): void
    {
        self::assertSame(str_repeat('tide ', 15).'tide.mp4', FileName::of(str_repeat('tide ', 50), 'mp4'));
    }

    public function test_chapters_are_written_with_their_ticks(): void
    {
        $text = ChapterFile::write('A; b', [
            new Chapter('50 = #1 \\ "x"', Tick::zero(), Tick::of(96_000)),
            new Chapter("Two\nrows", Tick::of(96_000), Tick::of(97_920)),
        ]);

        self::assertSame(
            <<<'TEXT'
            ;FFMETADATA1
            title=A\; b
            [CHAPTER]
            TIMEBASE=1/48000
            START=0
            END=96000
            title=50 \= \#1 \\ "x"
            [CHAPTER]
            TIMEBASE=1/48000
            START=96000
            END=97920
            title=Two rows

            TEXT
            ,
            $text,
        );
    }

    public function test_titles_that_end_in_a_backslash_go_by_argument_and_control_characters_nowhere(): void
    {
        $chapters = [
            new Chapter("Low\0water\n[CHAPTER]\x1B", Tick::zero(), Tick::of(96_000)),
            new Chapter('=\\', Tick::of(96_000), Tick::of(97_920)),
        ];
        $text = ChapterFile::write('Tides \\\\', $chapters);

        self::assertSame(3, preg_match_all('/^title=(.*)$/m', $text, $titles));
        self::assertSame(['Tides', 'Lowwater [CHAPTER]', '\='], $titles[1]);
        self::assertSame(2, preg_match_all('/^\[CHAPTER\]$/m', $text));
        self::assertSame(
            ['-metadata', 'title=Tides \\\\', '-metadata:c:1', 'title==\\'],
            ChapterFile::arguments('Tides \\\\', $chapters),
        );
        self::assertSame([], ChapterFile::arguments('Tides', []));
    }

    public function test_the_list_of_files_survives_quotes_in_paths(): void
    {
        self::assertSame(
            "ffconcat version 1.0\nfile '/a/it'\\''s.mp4'\nduration 2.000000\nfile '/b.mp4'\nduration 0.040000\n",
            ConcatList::write([
                new ConcatFile("/a/it's.mp4", Tick::of(96_000)),
                new ConcatFile('/b.mp4', Tick::of(1_920)),
            ]),
        );
    }
}
