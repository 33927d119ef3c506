<?php

declare(strict_types=1);

namespace Tests\Core\Render;

use OpenReel\Core\Archive\ArchiveFile;
use OpenReel\Core\Archive\ZipEntry;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Render\AdtsFrames;
use OpenReel\Core\Render\ConcatFile;
use OpenReel\Core\Render\ConcatList;
use OpenReel\Core\Render\ExportCheck;
use OpenReel\Core\Render\ExportFacts;
use OpenReel\Core\Render\ExportPreset;
use OpenReel\Core\Render\FilmCaptionTrack;
use OpenReel\Core\Render\FilmCommand;
use OpenReel\Core\Render\FilmFormat;
use OpenReel\Core\Render\FilmQuality;
use OpenReel\Core\Render\FlacHeader;
use OpenReel\Core\Render\IngestCommand;
use OpenReel\Core\Render\PostProcess;
use OpenReel\Core\Render\RenderEstimate;
use OpenReel\Core\Render\SoundFileCommand;
use OpenReel\Core\Render\SoundInput;
use OpenReel\Core\Render\StageClipCommand;
use OpenReel\Core\Sound\LoudnessReport;
use OpenReel\Core\Take\TakeLength;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;
use Tests\Core\MadeUp;
use Tests\Core\Recorded;

/** Every command line that is not made of a lesson's pictures, and the bytes of files that we write or cut ourselves. */
final class RecordedCommandsTest extends TestCase
{
    public function test_commands_are_what_they_were(): void
    {
        $answers = [];
        foreach ([null, 'vp8', 'vp9', 'av1', 'h264', 'hevc', 'mjpeg', 'prores'] as $codec) {
            $answers['copies '.($codec ?? 'nothing')] = [
                $codec !== null && IngestCommand::copies($codec), IngestCommand::container($codec),
            ];
            foreach ([
                null, ['own.webm', 0.25, 'opus'], ['own.wav', -0.4, 'pcm_s16le', true], [null, 0.0, 'opus'], [null, 0.0, null],
                [null, 0.0, 'aac'],
            ] as $n => $voice) {
                foreach ([null, SourceColour::tagged('pc', 'smpte170m', 480)] as $colour) {
                    $name = 'ingest '.($codec ?? 'sound').", {$n}, ".($colour === null ? 'as it is' : 'other colours');
                    $answers[$name] = IngestCommand::arguments(
                        'raw', $codec, $voice === null ? null : new SoundInput(...$voice), 'media', 'sound', 'pcm', $colour,
                    );
                }
            }
        }
        $answers['pieces of ingest'] = [
            IngestCommand::beginning('raw', 'pcm'), IngestCommand::oneSize('raw', 1280, 720, 'out'),
            IngestCommand::oneSize('raw', 641, 359, 'out', SourceColour::tagged(null, null, 480)),
            IngestCommand::poster('media', null, 'out'),
            IngestCommand::poster('media', Tick::of(72_000), 'out', SourceColour::tagged('pc', null, 720), 320),
            IngestCommand::decode('file'),
        ];
        foreach (FilmFormat::cases() as $format) {
            foreach (FilmQuality::cases() as $quality) {
                $edition = new ExportPreset(FrameSize::of(1280, 720), $quality, $format);
                $answers["{$format->name}, {$quality->name}"] = [
                    $format->mime(), $format->codecs(), $format->description(), $edition->toArray(), $edition->planned(),
                    $edition->needsAnotherPass(),
                    PostProcess::arguments('film', $edition, 'out'),
                    PostProcess::arguments(
                        'film', $edition, 'out', 'script.ass', '/fonts: own', new FilmCaptionTrack('captions.vtt', 'deu'),
                    ),
                    ExportPreset::parse($edition->toArray()) == $edition,
                ];
            }
        }
        $answers['film'] = [
            FilmCommand::soundtrack('frames', 'out'),
            FilmCommand::lesson('pictures', 'soundtrack', 'chapters', 'out', ['-metadata', 'title=Tides']),
            FilmCommand::lesson('pictures', 'soundtrack', 'chapters', 'out', [], new FilmCaptionTrack('captions', 'eng')),
            SoundFileCommand::m4a('film', 'out'), SoundFileCommand::mp3('film', 'out'), StageClipCommand::poster('film', 'out'),
            StageClipCommand::arguments('file', 'out', FrameSize::of(1280, 720), 25, true),
            StageClipCommand::arguments('file', 'out', FrameSize::of(720, 1280), 30, false),
            ConcatList::write([new ConcatFile("a 'b'.mp4", Tick::of(1_920)), new ConcatFile('c.mp4', Tick::of(48_001))]),
            ExportPreset::draft(),
            ExportPreset::parse(
                ['draft' => true, 'burned' => true, 'quality' => 'sharp', 'width' => 1280, 'height' => 720, 'section' => 'one'],
            ),
        ];
        Recorded::same('commands', $answers);
    }

    public function test_films_are_checked_and_estimated_as_they_were(): void
    {
        $made = new MadeUp(22);
        $answers = [];
        $assembly = Example::assembly([['One', [72_000, 167_001]], ['Two', [480, 48_480]]]);
        foreach (range(1, 60) as $round) {
            $answers["check {$round}"] = ExportCheck::findings(
                $assembly,
                new ExportFacts(
                    $assembly->frames() + $made->one([0, 0, 1, -1]), $made->one([1280, 1280, 1282]), 720,
                    $made->one(['h264', 'vp9', 'hevc']), $made->one(['aac', 'opus', 'mp3']),
                    $assembly->length()->seconds() + $made->one([0, 0.02, 0.04, 0.05, -0.05, 0.2]), $made->one([2, 2, 1]), $made->oneIn(2),
                ),
                new LoudnessReport(-16.0 + $made->between(-12, 12) / 10, $made->between(-25, 2) / 10), -16.0, -1.0, $made->one([0, 3]),
                $made->one(FilmFormat::cases()),
            );
            $estimate = fn (): RenderEstimate => new RenderEstimate(
                FrameSize::of(...$made->one([[1280, 720], [1920, 1080]])), $made->one(FilmQuality::cases()), 3_000,
                FrameRate::of($made->one([25, 30])), $made->between(0, 3_000),
                $made->between(0, 9_000_000), $made->between(0, 3_000), $made->between(0, 90_000),
            );
            $answers["estimate {$round}"] = [
                $estimate()->expectedBytes(
                    $estimate(), new ExportPreset(quality: $made->one(FilmQuality::cases()), format: $made->one(FilmFormat::cases())),
                ),
                $estimate()->expectedSeconds($estimate(), new ExportPreset(), $made->between(1, 4)),
            ];
        }
        $answers['longest take'] = TakeLength::longest();
        Recorded::same('checks', $answers);
    }

    public function test_bytes_are_what_they_were(): void
    {
        $made = new MadeUp(23);
        $answers = [];
        $stream = '';
        foreach (range(1, 12) as $n) {
            $length = 7 + $made->between(0, 40);
            $size = chr(0x80 | $length >> 11).chr($length >> 3 & 0xFF).chr(($length & 7) << 5 | 0x1F);
            $stream .= "\xFF\xF1\x4C{$size}\xFC".str_repeat(chr($n), $length - 7);
        }
        foreach ([[0, null], [0, 3], [4, 2], [11, null], [3, 0]] as [$first, $count]) {
            $answers["frames {$first}, ".($count ?? 'all')] = bin2hex(AdtsFrames::slice($stream, $first, $count));
        }
        $flac = 'fLaC'."\0\0\0\x22".str_repeat("\x10", 10)."\x0B\xB8\x00\xF0\x00\x01\x77\x00".str_repeat("\0", 16);
        $answers['flac'] = [FlacHeader::samples($flac), FlacHeader::seconds($flac)];
        $date = ZipEntry::dateOf(new \DateTimeImmutable('2026-05-01T10:20:31Z'));
        $entries = array_map(fn (array $of): ZipEntry => new ZipEntry($of[0], $of[1], 0xDEADBEEF, $of[2], $date), [
            ['a.json', 12, 0], ['films/größe.mp4', 0xFFFFFFFF, 51], ['b', 5_000_000_000, 0xFFFFFFFF], ['c', 0, 9_000_000_000],
        ]);
        foreach ($entries as $entry) {
            $answers["entry {$entry->name}"] = bin2hex($entry->before());
            $answers["list up to {$entry->name}"] = bin2hex(
                ZipEntry::list(array_slice($entries, 0, 1 + array_search($entry, $entries, true)), 70),
            );
        }
        $answers['list of all'] = bin2hex(ZipEntry::list($entries, 0x1_0000_0000));
        $answers['list of many'] = hash('sha256', ZipEntry::list(array_fill(0, 0xFFFF, $entries[0]), 70)).hash(
            'sha256', ZipEntry::list(array_fill(0, 0xFFFE, $entries[0]), 70),
        );
        $answers['dates'] = array_map(
            fn (string $when): int => ZipEntry::dateOf(new \DateTimeImmutable($when)),
            ['1980-01-01T00:00:00Z', '1970-01-01T00:00:00Z', '2107-12-31T23:59:59Z'],
        );
        foreach ([
            'lessons/01m8skw38mvkzsmpcbmw212jka/takes/01m8skw38mvkzsmpcbmw212jka/sound.flac', 'slides/a.png', 'music/b.flac', '../c',
            'lessons/x/film.mp4', 'course/logo.png',
        ] as $name) {
            $file = new ArchiveFile($name, 10, str_repeat('ab', 32));
            try {
                $file->mustBelong();
                $answers["file {$name}"] = [$file->isShared(), $file->namesIds()];
            } catch (\Throwable $refused) {
                $answers["file {$name}"] = $refused->getMessage();
            }
        }
        $id = '01m8skw38mvkzsmpcbmw212jka';
        foreach ([
            "lessons/{$id}/takes/{$id}/wave.json", "lessons/{$id}/takes/{$id}/heard.json", "lessons/{$id}/takes/{$id}/events.jsonl",
            "lessons/{$id}/takes/{$id}/levels.dat", "lessons/{$id}/takes/{$id}/media.webm", "lessons/{$id}/slides/{$id}/page.png",
            "lessons/{$id}/slides/{$id}/deck.pdf", "lessons/{$id}/slides/{$id}/deck.pptx", "lessons/{$id}/takes/{$id}/poster.jpg",
        ] as $name) {
            $answers["most of {$name}"] = array_values(array_filter(range(1, 300), function (int $megabytes) use ($name): bool {
                try {
                    (new ArchiveFile($name, $megabytes * 1024 * 1024, str_repeat('ab', 32)))->mustBelong();

                    return false;
                } catch (\Throwable) {
                    return true;
                }
            }))[0] ?? null;
        }
        Recorded::same('bytes', $answers);
    }
}
