<?php

namespace App\Support;

use Diastoma\Core\Refused;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\JsonResponse;
use Illuminate\Session\TokenMismatchException;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Throwable;

/** Errors as RFC 9457 problem details; `errors` names each field with its sentence. */
final class Problem
{
    public static function from(Throwable $e): JsonResponse
    {
        $e = self::cause($e);
        [$status, $title, $errors] = match (true) {
            $e instanceof Refused => [422, $e->getMessage(), $e->faults],
            $e instanceof ValidationException => [
                422,
                collect($e->errors())->flatten()->first(),
                collect($e->errors())->map(fn ($m, $f) => ['field' => $f, 'message' => $m[0]])->values()->all(),
            ],
            $e instanceof NoRoom => [507, $e->getMessage(), []],
            $e instanceof Conflict => [409, $e->getMessage(), [['field' => $e->field, 'message' => $e->getMessage()]]],
            $e instanceof AuthenticationException => [401, Say::text('refused.signInFirst'), []],
            $e instanceof AuthorizationException && $e->hasStatus() => [$e->status(), self::plain((int) $e->status()), []],
            $e instanceof AuthorizationException => [
                403,
                $e->getMessage() === 'This action is unauthorized.' ? Say::text('refused.notYourRole') : $e->getMessage(),
                [],
            ],
            $e instanceof ModelNotFoundException => [404, Say::text('refused.nothingHere'), []],
            $e instanceof TokenMismatchException => [419, Say::text('refused.pageTooOld'), []],
            $e instanceof HttpExceptionInterface => [$e->getStatusCode(), self::plain($e->getStatusCode()), []],
            default => [500, Say::text('refused.serverFailed'), []],
        };
        if ($status === 403) {
            Journal::note('refused', ['why' => $title, 'path' => request()->method().' '.request()->path()]);
        }
        if ($status === 500 || $status === 507) {
            report($e);
        }

        return new JsonResponse(
            ['type' => 'about:blank', 'title' => $title, 'status' => $status] + ($errors === [] ? [] : ['errors' => $errors]),
            $status,
            ['Content-Type' => 'application/problem+json'] + ($e instanceof HttpExceptionInterface ? $e->getHeaders() : []),
            JSON_UNESCAPED_UNICODE,
        );
    }

    /** What the framework has wrapped into an answer of its own, which would lose the sentence. */
    private static function cause(Throwable $e): Throwable
    {
        $within = $e instanceof HttpExceptionInterface ? $e->getPrevious() : null;

        return $within instanceof AuthorizationException || $within instanceof TokenMismatchException ? $within : $e;
    }

    private static function plain(int $status): string
    {
        return match ($status) {
            404 => Say::text('refused.nothingHere'),
            405 => Say::text('refused.notDoneHere'),
            413 => Say::text('refused.tooLarge'),
            429 => Say::text('refused.tooManyTries'),
            default => Say::text('refused.didNotWork'),
        };
    }
}
