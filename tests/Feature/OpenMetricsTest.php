<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Health\Metric;
use App\Health\OpenMetrics;
use PHPUnit\Framework\TestCase;

final class OpenMetricsTest extends TestCase
{
    public function test_as_the_standard_has_it(): void
    {
        $text = OpenMetrics::write([
            new Metric('reel_jobs', 'Jobs that wait', [[['queue' => 'listen'], 3], [['queue' => 'a "b" \\ c'."\n".'d'], 0]]),
            new Metric('reel_films', 'Films made', [[['state' => 'done'], 12]], onlyGrows: true),
            new Metric('reel_disk_free_bytes', 'Bytes "free"', [[[], 1.5]]),
            new Metric('reel_age_seconds', 'Nothing yet', []),
        ]);
        self::assertSame(
            <<<'END'
                # TYPE reel_jobs gauge
                # HELP reel_jobs Jobs that wait
                reel_jobs{queue="listen"} 3
                reel_jobs{queue="a \"b\" \\ c\nd"} 0
                # TYPE reel_films counter
                # HELP reel_films Films made
                reel_films_total{state="done"} 12
                # TYPE reel_disk_free_bytes gauge
                # HELP reel_disk_free_bytes Bytes \"free\"
                reel_disk_free_bytes 1.5
                # TYPE reel_age_seconds gauge
                # HELP reel_age_seconds Nothing yet
                # EOF

                END,
            $text,
        );
    }

    public function test_nothing_is_a_whole_answer_too(): void
    {
        self::assertSame("# EOF\n", OpenMetrics::write([]));
    }
}
