<?php

declare(strict_types=1);

namespace App\Media;

/**
 * What ffprobe says of a recording, row by row as it says it (`-of compact`): two hours have half a million packets, of which
 * only the latest counts.
 */
final class ProbeRows
{
    /** A recording has one or two. */
    private const MOST_STREAMS = 32;

    /** No row that is meant is longer. */
    private const LONGEST_ROW = 65_536;

    private string $rest = '';

    /** @var list<array<string, string>> */
    private array $streams = [];

    /** @var array<string, float> latest moment by kind of stream */
    private array $latest = [];

    /** @var array<string, true> */
    private array $sizes = [];

    public function add(string $text): void
    {
        $rows = explode("\n", $this->rest.$text);
        $this->rest = substr((string) array_pop($rows), 0, self::LONGEST_ROW);
        foreach ($rows as $row) {
            $this->row($row);
        }
    }

    /** @return array<string, string> what is known of the first stream of a kind; a picture attached to a sound is no camera */
    public function stream(string $kind): array
    {
        foreach ($this->streams as $stream) {
            if (($stream['codec_type'] ?? '') === $kind && ($stream['disposition:attached_pic'] ?? '0') !== '1') {
                return $stream;
            }
        }

        return [];
    }

    /** Whether the picture has another size on the way. */
    public function changesSize(): bool
    {
        return count($this->sizes) > 1;
    }

    /** @param  string|null  $kind  of stream; null for all */
    public function seconds(?string $kind = null): float
    {
        return $kind === null ? max([0.0, ...array_values($this->latest)]) : max(0.0, $this->latest[$kind] ?? 0.0);
    }

    private function row(string $row): void
    {
        $parts = explode('|', $row);
        $values = [];
        foreach (array_slice($parts, 1) as $part) {
            [$name, $value] = explode('=', $part, 2) + ['', ''];
            $values[$name] = $value;
        }
        match ($parts[0]) {
            'packet' => $this->packet($values),
            'frame' => $this->frame($values),
            'stream' => count($this->streams) < self::MOST_STREAMS ? $this->streams[] = $values : null,
            default => null,
        };
    }

    /** @param  array<string, string>  $values */
    private function packet(array $values): void
    {
        if (is_numeric($values['pts_time'] ?? null)) {
            $kind = $values['codec_type'] ?? '';
            $this->latest[$kind] = max($this->latest[$kind] ?? 0.0, (float) $values['pts_time']);
        }
    }

    /** @param  array<string, string>  $values */
    private function frame(array $values): void
    {
        if (isset($values['width'], $values['height']) && count($this->sizes) < 2) {
            $this->sizes["{$values['width']}x{$values['height']}"] = true;
        }
    }
}
