<?php

declare(strict_types=1);

namespace OpenReel\Core\Archive;

/**
 * A file that lies in a ZIP archive as it is, without being packed: what stands before it and in the list at the end
 * (PKWARE APPNOTE 6.3.10; sizes beyond 4 GB as its section 4.5.3 has them).
 */
final readonly class ZipEntry
{
    /** A 32-bit size or place that says: look in the long form. */
    private const LONG = 0xFFFFFFFF;

    /** The same for the number of files. */
    private const MANY = 0xFFFF;

    private const UNIX = 3 << 8;

    /** Names are UTF-8. */
    private const UTF8 = 0x0800;

    /** An ordinary file that its owner may write, as Unix has it. */
    private const MODE = 0o100644;

    /**
     * @param  string  $name  with `/` between folders
     * @param  int  $crc  CRC-32 of its content
     * @param  int  $offset  of what stands before it, in bytes from the archive's beginning
     * @param  int  $date  see `dateOf`
     */
    public function __construct(
        public string $name,
        public int $bytes,
        public int $crc,
        public int $offset,
        public int $date,
    ) {
    }

    /** @return int moment as the format counts it: from 1980 on, in steps of two seconds */
    public static function dateOf(\DateTimeImmutable $when): int
    {
        [$year, $month, $day, $hour, $minute, $second] = array_map(intval(...), explode(' ', $when->format('Y n j G i s')));

        return (max(0, $year - 1980) << 25) | ($month << 21) | ($day << 16) | ($hour << 11) | ($minute << 5) | ($second >> 1);
    }

    /** What stands before the content. */
    public function before(): string
    {
        $isLong = $this->bytes >= self::LONG;
        $long = $isLong ? pack('vvPP', 1, 16, $this->bytes, $this->bytes) : '';
        $bytes = $isLong ? self::LONG : $this->bytes;

        return pack(
            'VvvvVVVVvv', 0x04034B50, self::version($isLong), self::UTF8, 0, $this->date, $this->crc, $bytes, $bytes,
            strlen($this->name), strlen($long),
        ).$this->name.$long;
    }

    /**
     * The list of all files, which ends the archive.
     *
     * @param  list<self>  $entries
     * @param  int  $at  bytes that come before it
     */
    public static function list(array $entries, int $at): string
    {
        $list = implode('', array_map(fn (self $entry): string => $entry->listed(), $entries));
        [$count, $length] = [count($entries), strlen($list)];
        $isLong = $count >= self::MANY || $at >= self::LONG || $length >= self::LONG;
        if ($isLong) {
            $version = self::version(true);
            $list .= pack('VPvvVVPPPP', 0x06064B50, 44, self::UNIX | $version, $version, 0, 0, $count, $count, $length, $at)
                .pack('VVPV', 0x07064B50, 0, $at + $length, 1);
        }
        [$count, $length, $at] = $isLong ? [self::MANY, self::LONG, self::LONG] : [$count, $length, $at];

        return $list.pack('VvvvvVVv', 0x06054B50, 0, 0, $count, $count, $length, $at, 0);
    }

    private function listed(): string
    {
        $isLong = $this->bytes >= self::LONG || $this->offset >= self::LONG;
        $long = $isLong ? pack('vvPPP', 1, 24, $this->bytes, $this->bytes, $this->offset) : '';
        [$bytes, $offset] = $isLong ? [self::LONG, self::LONG] : [$this->bytes, $this->offset];
        $version = self::version($isLong);

        return pack(
            'VvvvvVVVVvvvvvVV', 0x02014B50, self::UNIX | $version, $version, self::UTF8, 0, $this->date, $this->crc, $bytes,
            $bytes, strlen($this->name), strlen($long), 0, 0, 0, self::MODE << 16, $offset,
        ).$this->name.$long;
    }

    /** Of the format, that a reader must know. */
    private static function version(bool $isLong): int
    {
        return $isLong ? 45 : 20;
    }
}
