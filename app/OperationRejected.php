<?php

declare(strict_types=1);

namespace App;

/** The request cannot be done as things stand. The message is a sentence for the presenter. */
final class OperationRejected extends \RuntimeException
{
    /** @param  array<string, mixed>  $more  facts for the program that asked */
    private function __construct(public readonly RejectionKind $kind, string $message, public readonly array $more = [])
    {
        parent::__construct($message);
    }

    /** @param  array<string, mixed>  $more */
    public static function conflict(string $message, array $more = []): self
    {
        return new self(RejectionKind::Conflict, $message, $more);
    }

    /** @param  array<string, mixed>  $more */
    public static function badInput(string $message, array $more = []): self
    {
        return new self(RejectionKind::BadInput, $message, $more);
    }

    public static function notYet(string $message): self
    {
        return new self(RejectionKind::NotThere, $message);
    }
}
