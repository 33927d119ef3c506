<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Media\Trouble;
use App\Refusal;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Problem;

/** What cannot be done is said in a sentence; what the operator needs goes to the log. */
trait SpeaksPlainly
{
    /** @param  callable(): int  $work */
    private function plainly(callable $work): int
    {
        try {
            return $work();
        } catch (Refusal|Problem $e) {
            $this->error($e->getMessage());
        } catch (Trouble $e) {
            Log::error($e->getMessage(), $e->context());
            $this->error($e->getMessage());
        }

        return self::FAILURE;
    }
}
