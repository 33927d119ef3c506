<?php

declare(strict_types=1);

namespace Tests\Core\Archive;

use OpenReel\Core\Archive\ZipEntry;
use PHPUnit\Framework\TestCase;

/** Read with another program's reader: PHP's own. */
final class ZipEntryTest extends TestCase
{
    public function test_what_is_written_is_read_by_others(): void
    {
        $date = ZipEntry::dateOf(new \DateTimeImmutable('2026-05-01 10:20:31'));
        $files = ['lessons/ä 🌊/take.webm' => random_bytes(3000), 'empty' => '', 'manifest.json' => '{}'];
        $bytes = '';
        $entries = [];
        foreach ($files as $name => $content) {
            $entry = new ZipEntry($name, strlen($content), crc32($content), strlen($bytes), $date);
            $entries[] = $entry;
            $bytes .= $entry->before().$content;
        }
        file_put_contents($path = (string) tempnam(sys_get_temp_dir(), 'zip'), $bytes.ZipEntry::list($entries, strlen($bytes)));

        $zip = new \ZipArchive();
        self::assertTrue($zip->open($path, \ZipArchive::CHECKCONS));
        self::assertSame(3, $zip->numFiles);
        foreach ($files as $name => $content) {
            self::assertSame($content, $zip->getFromName($name));
        }
        self::assertSame('10:20:30', date('H:i:s', (int) (((array) $zip->statName('empty'))['mtime'] ?? 0)));
        $zip->close();
        unlink($path);
    }

    public function test_beyond_four_gigabytes_sizes_and_places_are_told_in_the_long_form(): void
    {
        $large = 5_000_000_000;
        $before = (new ZipEntry('a', $large, 7, 0, 0))->before();
        self::assertSame(1 + 30 + 20, strlen($before));
        self::assertSame(['size' => $large, 'packed' => $large], unpack('Psize/Ppacked', $before, 35));
        self::assertSame(['size' => 0xFFFFFFFF, 'packed' => 0xFFFFFFFF], unpack('Vsize/Vpacked', $before, 18));

        $list = ZipEntry::list([new ZipEntry('b', 1, 7, $large, 0)], $large + 100);
        self::assertSame(['size' => 1, 'packed' => 1, 'at' => $large], unpack('Psize/Ppacked/Pat', $list, 46 + 1 + 4));
        // Version 4.5 of the format is asked for; the list's place stands before the short end.
        self::assertSame([1 => 45], unpack('v', $list, 6));
        $end = substr($list, -22 - 20 - 56);
        self::assertSame(
            ['count' => 1, 'all' => 1, 'length' => 75, 'at' => $large + 100],
            unpack('Pcount/Pall/Plength/Pat', $end, 24),
        );
        self::assertSame(['at' => 0xFFFFFFFF], unpack('Vat', substr($list, -22), 16));
    }
}
