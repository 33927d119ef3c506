<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Media\InfrastructureFailure;
use App\OperationRejected;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Kernel\DomainError;

/** What cannot be done is said in a sentence; what the operator needs goes to the log. */
trait SpeaksPlainly
{
    /** @param  callable(): int  $work */
    private function plainly(callable $work): int
    {
        try {
            return $work();
        } catch (OperationRejected|DomainError $e) {
            $this->error($e->getMessage());
        } catch (InfrastructureFailure $e) {
            Log::error($e->getMessage(), $e->context());
            $this->error($e->getMessage());
        }

        return self::FAILURE;
    }
}
