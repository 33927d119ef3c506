<?php

declare(strict_types=1);

namespace App\Http;

use App\Http\Middleware\NameRequest;
use App\Media\DiskFull;
use App\Media\InfrastructureFailure;
use App\Media\UnreadableFile;
use App\OperationRejected;
use App\People\CurrentUser;
use App\People\SessionUserChanged;
use App\RejectionKind;
use App\Web\BodyLimits;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Context;
use Illuminate\Validation\ValidationException;
use OpenReel\Core\Kernel\DomainError;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

/** Errors of the API as RFC 9457 problem details: `title` and `detail` are sentences for the presenter. */
final class ProblemDetails
{
    public static function register(Exceptions $exceptions): void
    {
        $exceptions->dontReport([DomainError::class, OperationRejected::class, UnreadableFile::class]);
        $exceptions->render(
            function (\Throwable $e, Request $request): ?JsonResponse {
                return $request->is('api/*', 'watch/*/comments', 'watch/*/watched') ? self::response($e) : null;
            },
        );
    }

    private static function response(\Throwable $e): JsonResponse
    {
        [$status, $detail, $more] = match (true) {
            $e instanceof ValidationException => [
                422,
                (string) collect($e->errors())->flatten()->first(),
                ['fields' => $e->errors()],
            ],
            $e instanceof OperationRejected => [self::status($e->kind), $e->getMessage(), $e->more],
            $e instanceof DomainError => [422, $e->getMessage(), []],
            $e instanceof UnreadableFile => [422, $e->getMessage(), []],
            $e instanceof DiskFull => [507, $e->getMessage(), []],
            $e instanceof InfrastructureFailure => [503, $e->getMessage(), []],
            $e instanceof SessionUserChanged => [401, $e->getMessage(), ['somebody_else' => $e->name]],
            $e instanceof AuthenticationException => [401, 'You are signed out. Sign in again; nothing is lost.', []],
            $e instanceof ModelNotFoundException,
            $e instanceof HttpExceptionInterface && $e->getStatusCode() === 404 => [
                404,
                self::notHere(),
                [],
            ],
            $e instanceof HttpExceptionInterface && $e->getStatusCode() === 413 => [
                413,
                BodyLimits::TOO_MUCH,
                [],
            ],
            $e instanceof HttpExceptionInterface => [$e->getStatusCode(), $e->getMessage() ?: 'The server does not do that.', []],
            default => [500, 'Something went wrong on the server. Nothing recorded is lost; the details are in its log.', []],
        };

        return new JsonResponse(
            [
                'type' => 'about:blank',
                'title' => JsonResponse::$statusTexts[$status] ?? 'Error',
                'status' => $status,
                'detail' => $detail,
            ] + ($status >= 500 ? ['request' => Context::get(NameRequest::KEY)] : []) + $more,
            $status,
            ['Content-Type' => 'application/problem+json'],
            JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE,
        );
    }

    /** The same for what is not there and for what somebody has no part in. */
    private static function notHere(): string
    {
        $name = CurrentUser::asks()?->name;

        return $name === null
            ? 'There is nothing here. It may have been deleted.'
            : "You are signed in as {$name}, and nothing here is shared with you. ".
                'It may have been deleted, or its owner has not added you yet.';
    }

    private static function status(RejectionKind $kind): int
    {
        return match ($kind) {
            RejectionKind::Conflict => 409,
            RejectionKind::BadInput => 422,
            RejectionKind::NotThere => 404,
        };
    }
}
