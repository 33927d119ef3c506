<?php

declare(strict_types=1);

namespace App\Media;

/**
 * Something outside went wrong. The message is plain and may be shown; what the operator needs is in `$detail`, which
 * is logged and never shown.
 */
abstract class InfrastructureFailure extends \RuntimeException
{
    final protected function __construct(string $message, public readonly string $detail = '')
    {
        parent::__construct($message);
    }

    /** @return array{detail: string} */
    public function context(): array
    {
        return ['detail' => $this->detail];
    }
}
