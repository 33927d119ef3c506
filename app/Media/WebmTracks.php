<?php

declare(strict_types=1);

namespace App\Media;

/** What the tracks of a WebM file hold, as far as it is known here: one VP8 picture and Opus sound. */
final class WebmTracks
{
    private const CODECS = ['V_VP8' => 'vp8', 'A_OPUS' => 'opus'];

    /** As ffmpeg calls what Matroska numbers (ISO/IEC 23091-2). */
    private const RANGES = [1 => 'tv', 2 => 'pc'];

    private const MATRICES = [1 => 'bt709', 5 => 'bt470bg', 6 => 'smpte170m'];

    /** @var array<int, string> kinds by number */
    private array $kinds = [];

    /** @var array<string, string> codecs by kind */
    private array $codecs = [];

    /** @var array<string, int> nanoseconds that a decoder needs to begin, by kind: sound is heard so much earlier than it says */
    private array $delays = [];

    /** @var array<string, float> seconds of the latest block by kind */
    private array $latest = [];

    /** @var array<string, array{int, int}> sizes of the picture, in the order in which they come */
    private array $sizes = [];

    private ?string $range = null;

    private ?string $matrix = null;

    /** @return RecordingFacts|null null where there is no track, or a picture of which nothing came */
    public function facts(): ?RecordingFacts
    {
        if ($this->kinds === [] || (isset($this->codecs['video']) && $this->sizes === [])) {
            return null;
        }
        [$width, $height] = reset($this->sizes) ?: [0, 0];

        return new RecordingFacts(
            $width > 0 && $height > 0 ? $this->codecs['video'] : null,
            $width,
            $height,
            $this->codecs['audio'] ?? null,
            count($this->sizes) > 1,
            max([0.0, ...array_values($this->latest)]),
            $this->latest['video'] ?? 0.0,
            $this->range,
            $this->matrix,
        );
    }

    /** @return bool whether everything in it is known here */
    public function describe(string $body): bool
    {
        foreach (EbmlElement::all($body) as [$id, $entry]) {
            if ($id === 0xAE && ! $this->entry($entry)) {
                return false;
            }
        }

        return $this->kinds !== [];
    }

    /**
     * @param  string  $head  the beginning of the block
     * @param  int  $cluster  time at which its cluster begins
     * @param  int  $scale  nanoseconds that a unit of time stands for
     */
    public function block(string $head, int $cluster, int $scale): bool
    {
        // Numbers of more than one byte are of files with more than a hundred tracks.
        $kind = $this->kinds[ord($head[0] ?? "\0") & 0x7F] ?? null;
        if ($kind === null || strlen($head) < 4) {
            return false;
        }
        $later = (int) (unpack('n', $head, 1)[1] ?? 0);
        $units = $cluster + ($later >= 0x8000 ? $later - 0x10000 : $later) - (int) round($this->delays[$kind] / $scale);
        $at = $units * $scale / 1e9;
        $this->latest[$kind] = max($this->latest[$kind] ?? 0.0, $at);

        return $kind !== 'video' || $this->frame(substr($head, 4));
    }

    private function entry(string $entry): bool
    {
        $found = iterator_to_array(self::byId($entry));
        $kind = [1 => 'video', 2 => 'audio'][EbmlElement::number($found[0x83] ?? '')] ?? null;
        $codec = self::CODECS[rtrim($found[0x86] ?? '', "\0")] ?? null;
        $number = EbmlElement::number($found[0xD7] ?? '');
        // Encoded contents and a second track of a kind are for those who know more of the format.
        if ($kind === null || $codec === null || isset($found[0x6D80]) || isset($this->codecs[$kind]) || $number > 126) {
            return false;
        }
        $this->kinds[$number] = $kind;
        $this->codecs[$kind] = $codec;
        $this->delays[$kind] = EbmlElement::number($found[0x56AA] ?? '');

        return $kind === 'audio' || $this->picture($found[0xE0] ?? '');
    }

    private function picture(string $video): bool
    {
        $found = iterator_to_array(self::byId($video));
        $colour = iterator_to_array(self::byId($found[0x55B0] ?? ''));
        [$range, $matrix] = [EbmlElement::number($colour[0x55B9] ?? ''), EbmlElement::number($colour[0x55B1] ?? "\2")];
        $this->range = self::RANGES[$range] ?? null;
        $this->matrix = self::MATRICES[$matrix] ?? null;

        // A picture that is turned, or that is not shown as it is.
        return ! isset($found[0x7670]) && ($range === 0 || $this->range !== null) && ($matrix === 2 || $this->matrix !== null);
    }

    /** A frame of VP8 (RFC 6386, 9.1): of those that need no other, how large they are. */
    private function frame(string $head): bool
    {
        if ((ord($head[0] ?? "\1") & 1) === 1) {
            return true;
        }
        if (substr($head, 3, 3) !== "\x9D\x01\x2A" || strlen($head) < 10) {
            return false;
        }
        [$width, $height] = [(int) (unpack('v', $head, 6)[1] ?? 0) & 0x3FFF, (int) (unpack('v', $head, 8)[1] ?? 0) & 0x3FFF];
        if (count($this->sizes) < 2) {
            $this->sizes["{$width}x{$height}"] = [$width, $height];
        }

        return true;
    }

    /** @return iterable<int, string> */
    private static function byId(string $body): iterable
    {
        foreach (EbmlElement::all($body) as [$id, $value]) {
            yield $id => $value;
        }
    }
}
