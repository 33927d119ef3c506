<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Takes\AlignTake;
use App\Actions\Takes\InspectTake;
use App\Actions\Takes\KeepResult;
use App\Media\InfrastructureFailure;
use App\Media\ProgramFailed;
use App\Media\WorkLock;
use App\Models\Take;
use App\Models\TakeSummary;
use App\Work\AlignmentProgress;
use App\Work\QueueName;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Str;
use OpenReel\Core\Take\AlignmentResult;
use OpenReel\Core\Take\AlignmentStatus;
use OpenReel\Core\Take\AnalysisResult;
use OpenReel\Core\Take\TakeState;

/** Looks over the newest take that waits for it, and hears its words: what was just recorded is what one wants to know about. */
final class AlignTakesJob implements ShouldQueue
{
    use Queueable, RunsExclusively;

    /** After a fault of the server. */
    private const AGAIN_SECONDS = 20;

    /** Twenty minutes of 240 lines take four; six hours, the longest that a take can be, some seventy. */
    private const MOST_SECONDS = 7_200;

    /** So often a worker may die, or the unforeseen happen, over a take, within a day. */
    private const MOST_TRIES = 3;

    private const TRIES_SECONDS = 86_400;

    private readonly string $ticket;

    public function __construct()
    {
        $this->ticket = (string) Str::ulid();
        $this->timeout = self::MOST_SECONDS;
        $this->onQueue(QueueName::Alignment);
    }

    public function lockName(): string
    {
        return "hear-job/{$this->ticket}";
    }

    public function handle(AlignTake $hear, InspectTake $inspect): void
    {
        $this->alone(function () use ($hear, $inspect): void {
            /** @var list<Take> $waiting */
            $waiting = Take::query()
                ->where('state', TakeState::Ready)
                ->whereHas('summary', TakeSummary::waiting(...))
                ->orderByDesc('created_at')
                ->orderByDesc('id')
                ->limit(10)
                ->get()
                ->all();
            foreach ($waiting as $take) {
                $lock = WorkLock::tryFor("hear/{$take->id}");
                if ($lock === null) {
                    continue;
                }
                try {
                    $isDone = $this->look($take->refresh(), $inspect, $hear);
                } finally {
                    $lock->release();
                }
                if ($isDone) {
                    return;
                }
            }
        });
    }

    /** @return bool false when another machine listens to it now, or looks at it */
    private function look(Take $take, InspectTake $inspect, AlignTake $hear): bool
    {
        if ($take->summary->alignment !== null && $take->summary->is_analysed) {
            return true;
        }
        $key = AlignmentProgress::key($take->id);
        $tries = "hearing-tries/{$take->id}";
        Cache::add($tries, 0, self::TRIES_SECONDS);
        $tried = (int) Cache::increment($tries);
        $isOurs = $isLookedOver = $isSettled = true;
        try {
            if ($tried > self::MOST_TRIES) {
                // It took its worker down each time, and would keep all others waiting.
                Log::error("Take {$take->id} is not listened to any more: its worker died each time");
                $this->giveUp($take);

                return true;
            }
            $isLookedOver = $take->summary->is_analysed || $this->lookOver($take, $inspect);
            if ($take->summary->alignment === null) {
                $isOurs = $hear($take, fn (float $done) => AlignmentProgress::note($key, $done));
            }
        } catch (ProgramFailed $failure) {
            Log::error("Take {$take->id} could not be listened to", $failure->context());
            $this->giveUp($take);
        } catch (InfrastructureFailure $fault) {
            Log::error("Take {$take->id} waits to be listened to: {$fault->getMessage()}", $fault->context());
            $this->release(self::AGAIN_SECONDS);
        } catch (\Throwable $unforeseen) {
            // Whatever it is that is the matter with this one, the others are heard.
            report($unforeseen);
            $isSettled = $tried >= self::MOST_TRIES;
            $isSettled ? $this->giveUp($take) : $this->release(self::AGAIN_SECONDS);
            $isOurs = false;
        } finally {
            $isOurs && AlignmentProgress::forget($key);
            $isSettled && Cache::forget($tries);
        }

        return $isOurs && $isLookedOver;
    }

    /**
     * What the picture is like or the room is one thing, which words are said another: they are heard all the same.
     *
     * @return bool false when another machine looks at it now
     */
    private function lookOver(Take $take, InspectTake $inspect): bool
    {
        try {
            return $inspect($take);
        } catch (ProgramFailed $failure) {
            Log::error("Take {$take->id} could not be looked over", $failure->context());
            app(KeepResult::class)->analysis($take->refresh(), new AnalysisResult());

            return true;
        }
    }

    /** Whatever it was that stopped it, what else waits is heard by another. */
    public function failed(\Throwable $e): void
    {
        self::dispatch()->delay(self::AGAIN_SECONDS);
    }

    /** What was not found out by now will not be. */
    private function giveUp(Take $take): void
    {
        $take->refresh();
        $results = app(KeepResult::class);
        if ($take->summary->alignment === null) {
            $results->alignment($take, new AlignmentResult(AlignmentStatus::Failed));
        }
        if (! $take->summary->is_analysed) {
            $results->analysis($take, new AnalysisResult());
        }
    }
}
