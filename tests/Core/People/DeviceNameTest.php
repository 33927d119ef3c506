<?php

declare(strict_types=1);

namespace Tests\Core\People;

use OpenReel\Core\People\DeviceName;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class DeviceNameTest extends TestCase
{
    private const WEBKIT = 'AppleWebKit/537.36 (KHTML, like Gecko)';

    #[TestWith(['Mozilla/5.0 (X11; Linux x86_64) '.self::WEBKIT.' Chrome/156.0.0.0 Safari/537.36', 'Chrome on Linux'])]
    #[TestWith(['Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0', 'Firefox on Linux'])]
    #[TestWith([
        'Mozilla/5.0 (Windows NT 10.0; Win64; x64) '.self::WEBKIT.' Chrome/156.0.0.0 Safari/537.36 Edg/156.0.0.0',
        'Edge on Windows',
    ])]
    #[TestWith([
        'Mozilla/5.0 (Macintosh; Intel Mac OS X 10_15_7) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.0 Safari/605.1.15',
        'Safari on a Mac',
    ])]
    #[TestWith([
        'Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) CriOS/156.0 Mobile/15E '
            .'Safari/604.1', 'Chrome on an iPhone',
    ])]
    #[TestWith(['Mozilla/5.0 (Linux; Android 15) '.self::WEBKIT.' Chrome/156.0.0.0 Mobile Safari/537.36', 'Chrome on Android'])]
    #[TestWith(['curl/8.5.0', 'A browser'])]
    #[TestWith(['<script>alert(1)</script>', 'A browser'])]
    #[TestWith(['', 'A browser'])]
    public function test_a_browser_is_called_by_what_it_is_and_runs_on(string $userAgent, string $name): void
    {
        self::assertSame($name, DeviceName::of($userAgent));
    }
}
