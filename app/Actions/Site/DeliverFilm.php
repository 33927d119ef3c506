<?php

declare(strict_types=1);

namespace App\Actions\Site;

use App\Actions\Film\FilmFolder;
use App\Actions\People\WriteHistory;
use App\Media\Cancelled;
use App\Media\SiteFolder;
use App\Media\SiteUnreachable;
use App\Models\Delivery;
use App\Models\WorkState;
use App\OperationRejected;
use OpenReel\Core\People\AuditAction;

/**
 * Copies a film and what lies beside it into the course site's folder, each version into one of its own. The page that viewers
 * open comes last, and so shows what was there before until all of the new is.
 */
final class DeliverFilm
{
    /** How often it is noted how far it is, in bytes. */
    private const STEP = 4_000_000;

    public function __construct(
        private readonly SiteFolder $site,
        private readonly FilmFolder $folder,
        private readonly WriteHistory $write,
    ) {
    }

    /** @throws Cancelled|SiteUnreachable|OperationRejected */
    public function __invoke(Delivery $delivery): void
    {
        $export = $delivery->export ?? throw OperationRejected::notYet('This film is not there (any more).');
        $files = $this->folder->files($export);
        $total = (int) array_sum(array_map(filesize(...), $files));
        $before = 0;
        $this->note($delivery, 0, $total);
        $version = "v{$delivery->number}/";
        foreach ($files as $name => $path) {
            $noted = 0;
            $sent = function (int $bytes) use ($delivery, $before, $total, &$noted): void {
                if ($bytes - $noted >= self::STEP) {
                    $noted = $bytes;
                    $this->note($delivery, $before + $bytes, $total);
                }
            };
            $this->site->put("{$delivery->folder}/{$version}{$name}", $path, $sent);
            $before += (int) filesize($path);
            $this->note($delivery, $before, $total);
        }
        $this->site->putText("{$delivery->folder}/".FilmFolder::PAGE, $this->folder->page($export, $files, $version));
        if ($delivery->become(WorkState::Done, WorkState::OPEN)) {
            ($this->write)(AuditAction::Delivered, $export->lesson, ['file' => $export->file_name]);
        }
    }

    private function note(Delivery $delivery, int $done, int $total): void
    {
        if (! $delivery->become(WorkState::Running, WorkState::OPEN, ['done' => $done, 'total' => $total])) {
            throw Cancelled::byPresenter();
        }
    }
}
