<?php

namespace App\Http;

use App\Events\EventRecord;
use App\Events\OutdatedEventData;
use App\Events\Write\SeriesLivesAlready;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\LostConnectionDetector;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\Exceptions\ThrottleRequestsException;
use Illuminate\Http\JsonResponse;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Recurrence\TooMuchWork;
use PinnedRota\Core\Time\InvalidTime;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Throwable;

/** Errors of the API as problem documents (RFC 9457), with the fields they concern. */
final class Problem
{
    public static function from(Throwable $problem): ?JsonResponse
    {
        return match (true) {
            $problem instanceof ValidationException => self::response(422, 'Some of this cannot be saved.', 'See the fields named.', errors: self::fields($problem)),
            $problem instanceof VersionConflict => self::response(412, 'Somebody else was first.', 'This was changed since you opened it. Look at what it is now and decide.', current: $problem->current),
            $problem instanceof SeriesLivesAlready => self::response(409, 'It is there already.', $problem->getMessage(), current: array_map(
                static fn (EventRecord $each): OutdatedEventData => new OutdatedEventData($each->id, $each->title, $each->version), [$problem->coming, $problem->living],
            )),
            $problem instanceof AuthenticationException => self::response(401, 'You are not signed in.', 'Sign in and try again.'),
            $problem instanceof ModelNotFoundException => self::notFound(),
            $problem instanceof PostTooLargeException => self::response(413, 'That is too large.', 'Send a smaller file.'),
            $problem instanceof ThrottleRequestsException => self::response(429, 'Too many tries.', 'Wait a minute and try again.', headers: $problem->getHeaders()),
            $problem instanceof HttpExceptionInterface => self::fromHttp($problem),
            (new LostConnectionDetector)->causedByLostConnection($problem) => self::unreachable(),
            $problem instanceof TooMuchWork => self::response(422, 'That is too much at once.', 'Nothing was changed. Look at fewer days or calendars, or change fewer events.'),
            $problem instanceof InvalidTime, $problem instanceof InvalidRule => self::response(422, 'Some of this cannot be.', $problem->getMessage()),
            $problem instanceof UniqueConstraintViolationException => self::response(409, 'Somebody else was first.', 'There is one of this name by now. Look at what is there.'),
            // Anything else is a fault of ours: Laravel logs it, and says no more than that outside of debugging.
            default => config('app.debug') ? null : self::response(500, 'Something went wrong here.', 'It has been noted. Nothing was changed; try again.'),
        };
    }

    /** Others were in the way, again and again: nothing was changed. */
    public static function busy(): JsonResponse
    {
        return self::response(503, 'Many change this at once.', 'Nothing was changed. Try again in a moment.', headers: ['Retry-After' => '2']);
    }

    /** The database is away: what was begun is taken back by it. */
    public static function unreachable(): JsonResponse
    {
        return self::response(503, 'The rota cannot be reached just now.', 'What was not finished was not done. It comes back by itself; try again in a moment.', headers: ['Retry-After' => '5']);
    }

    private static function fromHttp(HttpExceptionInterface&Throwable $problem): JsonResponse
    {
        $status = $problem->getStatusCode();

        return match ($status) {
            404 => self::notFound(),
            403 => self::response(403, 'You may not do that.', $problem->getMessage()),
            419 => self::response(419, 'Your session has ended.', 'Sign in again; what you typed is still here.'),
            503 => self::response(503, 'Pinned Rota is being worked on.', 'It is back in a few minutes. What you typed is still here.', headers: array_map(strval(...), $problem->getHeaders())),
            405 => self::response(405, 'That is not done this way.', ''),
            default => self::response($status, $problem->getMessage() === '' ? 'That did not work.' : $problem->getMessage(), '', headers: array_map(strval(...), $problem->getHeaders())),
        };
    }

    private static function notFound(): JsonResponse
    {
        return self::response(404, 'There is nothing here for you.', 'It may have been removed, or it is not shared with you.');
    }

    /**
     * @param  ?list<FieldProblemData>  $errors
     * @param  array<string, string>  $headers
     */
    public static function response(int $status, string $title, string $detail, ?array $errors = null, mixed $current = null, array $headers = []): JsonResponse
    {
        return new JsonResponse(new ProblemData('about:blank', $title, $status, $detail, $errors, $current), $status, ['Content-Type' => 'application/problem+json'] + $headers);
    }

    /** @return list<FieldProblemData> */
    private static function fields(ValidationException $problem): array
    {
        $fields = [];
        foreach ($problem->errors() as $field => $messages) {
            foreach ($messages as $message) {
                $fields[] = new FieldProblemData((string) $field, $message);
            }
        }

        return $fields;
    }
}
