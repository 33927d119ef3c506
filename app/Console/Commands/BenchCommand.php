<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Bench\ApiBench;
use App\Bench\ArchiveBench;
use App\Bench\CaptionBench;
use App\Bench\ClusterBench;
use App\Bench\DeckBench;
use App\Bench\DecoratedBench;
use App\Bench\DeviceBench;
use App\Bench\ExportBench;
use App\Bench\FaultBench;
use App\Bench\HearingBench;
use App\Bench\IngestBench;
use App\Bench\InterfaceBench;
use App\Bench\LoadBench;
use App\Bench\ReadsBench;
use App\Bench\RoomBench;
use App\Bench\SchoolBench;
use App\Bench\ScriptBench;
use App\Bench\SearchBench;
use App\Bench\StoryboardBench;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\File;

final class BenchCommand extends Command
{
    protected $signature = 'reel:bench {figure?* : only the figures whose name starts so} {--json : print one JSON object}';

    protected $description = 'Measure the figures the product aims at';

    private const BENCHES = [
        InterfaceBench::class,
        ScriptBench::class,
        CaptionBench::class,
        DeckBench::class,
        ApiBench::class,
        IngestBench::class,
        HearingBench::class,
        ReadsBench::class,
        ExportBench::class,
        DecoratedBench::class,
        RoomBench::class,
        StoryboardBench::class,
        SearchBench::class,
        ArchiveBench::class,
        LoadBench::class,
        ClusterBench::class,
        FaultBench::class,
        SchoolBench::class,
        DeviceBench::class,
    ];

    public function handle(): int
    {
        $folder = storage_path('framework/bench');
        File::deleteDirectory($folder);
        File::makeDirectory($folder, recursive: true);
        // A database and a media disk of its own.
        touch("{$folder}/bench.sqlite");
        config([
            'database.connections.sqlite.database' => "{$folder}/bench.sqlite",
            'filesystems.disks.media.root' => "{$folder}/media",
            'queue.default' => 'null',
        ]);
        Artisan::call('migrate', ['--force' => true]);

        $all = [];
        foreach (self::BENCHES as $bench) {
            foreach (app($bench)->figures($folder, $this->wanted(...)) as $name => [$value, $aim]) {
                $all[$name] = ['value' => $value, 'aim' => $aim];
                if (! $this->option('json')) {
                    $this->line(sprintf('%-24s %8s %8s', $name, $value, $aim));
                }
            }
        }
        if ($this->option('json')) {
            $this->line((string) json_encode($all));
        }
        File::deleteDirectory($folder);

        return self::SUCCESS;
    }

    private function wanted(string $figure): bool
    {
        /** @var list<string> $only */
        $only = (array) $this->argument('figure');

        return $only === [] || array_filter($only, fn (string $start): bool => str_starts_with($figure, $start)) !== [];
    }
}
