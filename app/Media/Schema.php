<?php

declare(strict_types=1);

namespace App\Media;

use JsonSchema\Constraints\Constraint;
use JsonSchema\Exception\ExceptionInterface;
use JsonSchema\Validator;
use OpenReel\Core\Archive\ArchiveError;

/** Holds what came from elsewhere against a schema of ours (`resources/schemas`). */
final class Schema
{
    /**
     * @param  mixed  $said  decoded JSON, objects as objects
     * @param  string  $file  of the schema
     * @param  string|null  $part  one of its definitions; null for all of it
     *
     * @throws ArchiveError at the first thing that is not as it should be: what is wrong everywhere is not listed
     */
    public static function mustHold(mixed $said, string $file, ?string $part = null): void
    {
        $validator = new Validator();
        $once = Constraint::CHECK_MODE_NORMAL | Constraint::CHECK_MODE_EXCEPTIONS;
        $at = 'file://'.resource_path("schemas/{$file}").($part === null ? '' : "#/definitions/{$part}");
        try {
            $validator->validate($said, (object) ['$ref' => $at], $once);
        } catch (ExceptionInterface) {
            throw ArchiveError::unreadable();
        }
    }
}
