<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Lesson;
use Illuminate\Console\Command;
use Illuminate\Database\Eloquent\Builder;
use OpenReel\Core\Take\Verdict;

final class ListCommand extends Command
{
    protected $signature = 'reel:list {--json : print the list for machines}';

    protected $description = 'List the lessons';

    public function handle(): int
    {
        $lessons = Lesson::query()
            ->latest('updated_at')
            ->withCount([
                'sections',
                'sections as kept_count' => fn (Builder $q) => $q->whereHas(
                    'takes',
                    fn (Builder $t) => $t->where('verdict', Verdict::Kept),
                ),
            ])
            ->get();
        $rows = $lessons
            ->map(
                fn (Lesson $l): array => [
                    'lesson' => $l->id,
                    'title' => $l->title,
                    'kept' => "{$l->kept_count}/{$l->sections_count}",
                    'frame' => "{$l->width}x{$l->height}",
                    'fps' => $l->fps,
                ],
            )
            ->all();
        if ($this->option('json')) {
            $this->line((string) json_encode($rows, JSON_UNESCAPED_UNICODE));
        } else {
            $this->table(['Lesson', 'Title', 'Kept', 'Frame', 'Rate'], $rows);
        }

        return self::SUCCESS;
    }
}
