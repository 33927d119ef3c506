<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Render\ExportFacts;
use OpenReel\Core\Render\FlacHeader;
use OpenReel\Core\Sound\RecordingInput;

final class FfprobeProber implements Prober
{
    /** A recording is looked over in this time and a second more for every so many bytes, or it is not one. */
    private const SECONDS = 20.0;

    private const BYTES_A_SECOND = 5_000_000;

    public function __construct(private readonly string $program)
    {
    }

    public function recording(string $path): RecordingFacts
    {
        // What this project's own recorder makes is looked into without the program: it decodes pictures to see how large they are.
        return WebmFile::facts($path) ?? $this->decoded($path);
    }

    private function decoded(string $path): RecordingFacts
    {
        $rows = new ProbeRows();
        // Only key frames can change the size, and they alone are quick to decode; what they show does not matter.
        Program::run(
            [
                $this->program,
                '-v',
                'error',
                '-of',
                'compact',
                ...RecordingInput::GUARD,
                '-skip_frame',
                'nokey',
                '-skip_loop_filter',
                'all',
                '-threads',
                '1',
                '-show_entries',
                'stream=codec_type,codec_name,width,height,color_range,color_space:stream_disposition=attached_pic'.
                ':stream_side_data=rotation:packet=codec_type,pts_time:frame=width,height',
                $path,
            ],
            $rows->add(...),
            seconds: self::SECONDS + (float) @filesize($path) / self::BYTES_A_SECOND,
        );
        $video = $rows->stream('video');
        $audio = $rows->stream('audio');
        $turned = abs((int) ($video['rotation'] ?? 0)) % 180 === 90;
        $width = (int) ($video['width'] ?? 0);
        $height = (int) ($video['height'] ?? 0);

        return new RecordingFacts(
            $width > 0 && $height > 0 ? (string) $video['codec_name'] : null,
            $turned ? $height : $width,
            $turned ? $width : $height,
            isset($audio['codec_name']) ? (string) $audio['codec_name'] : null,
            $rows->changesSize(),
            $rows->seconds(),
            $rows->seconds('video'),
            self::known($video['color_range'] ?? null),
            self::known($video['color_space'] ?? null),
        );
    }

    public function export(string $path): ExportFacts
    {
        $found = $this->probe(
            [
                '-count_packets',
                '-show_chapters',
                '-show_entries',
                'stream=codec_type,codec_name,width,height,nb_read_packets,duration:stream_tags=DURATION:chapter=id',
            ],
            $path,
        );
        $video = $this->first($found['streams'] ?? [], 'video');
        $audio = $this->first($found['streams'] ?? [], 'audio');

        return new ExportFacts(
            (int) ($video['nb_read_packets'] ?? 0),
            (int) ($video['width'] ?? 0),
            (int) ($video['height'] ?? 0),
            (string) ($video['codec_name'] ?? 'nothing'),
            (string) ($audio['codec_name'] ?? 'nothing'),
            (float) ($audio['duration'] ?? self::clock((string) ($audio['tags']['DURATION'] ?? ''))),
            count($found['chapters'] ?? []),
            in_array($this->first($found['streams'] ?? [], 'subtitle')['codec_name'] ?? '', ['mov_text', 'webvtt'], true),
        );
    }

    public function setup(string $path): string
    {
        // Asked for every piece, and to start the program takes a tenth of a second.
        $own = Mp4Boxes::avcSetup($path);
        if ($own !== null) {
            return 'SHA256:'.hash('sha256', $own);
        }
        $found = $this->probe(
            ['-select_streams', 'v:0', '-show_data_hash', 'sha256', '-show_entries', 'stream=extradata_hash'],
            $path,
        );

        return (string) ($found['streams'][0]['extradata_hash'] ?? '');
    }

    /** Seconds of `0:01:02.5`, as Matroska files say how long a stream is. */
    private static function clock(string $said): float
    {
        return array_reduce(explode(':', $said), fn (float $sum, string $part): float => 60 * $sum + (float) $part, 0.0);
    }

    private static function known(?string $name): ?string
    {
        return $name === null || in_array($name, ['unknown', 'reserved', 'unspecified'], true) ? null : $name;
    }

    public function seconds(string $path): float
    {
        // To start the program takes longer than to look oneself.
        if (str_ends_with($path, '.flac')) {
            return FlacHeader::seconds((string) @file_get_contents($path, length: FlacHeader::BYTES));
        }

        return WebmFile::seconds($path) ??
            (float) ($this->probe(['-show_entries', 'format=duration'], $path)['format']['duration'] ?? 0);
    }

    /**
     * @param  list<string>  $what
     * @return array<string, mixed>
     */
    private function probe(array $what, string $path, ?float $seconds = null): array
    {
        $output = Program::run([$this->program, '-v', 'error', '-of', 'json', ...$what, $path], seconds: $seconds)['output'];

        return (array) json_decode($output, true);
    }

    /**
     * @param  array<int, array<string, mixed>>  $streams
     * @return array<string, mixed>
     */
    private function first(array $streams, string $type): array
    {
        foreach ($streams as $stream) {
            // A picture attached to a sound file is no camera.
            if (($stream['codec_type'] ?? '') === $type && ($stream['disposition']['attached_pic'] ?? 0) !== 1) {
                return $stream;
            }
        }

        return [];
    }
}
