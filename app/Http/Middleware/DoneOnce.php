<?php

namespace App\Http\Middleware;

use App\Directory\Person;
use App\Http\Problem;
use Closure;
use Illuminate\Database\DetectsConcurrencyErrors;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Sleep;
use PDOException;
use Symfony\Component\HttpFoundation\Response;
use Throwable;

/**
 * Whatever changes something is done once and as a whole. Where two get into each other's way in the database, one begins
 * again, a little later each time; where that does not help, it says when to come back. Under a key (Idempotency-Key) what
 * was done is done no second time: whoever asks again with it, at the same moment or after an answer was lost, is told the
 * answer of the first time. The key is kept in the transaction of what it stands for, so it is there exactly where that is.
 */
final class DoneOnce
{
    use DetectsConcurrencyErrors;

    public const HEADER = 'Idempotency-Key';

    private const ATTEMPTS = 6;

    /** In milliseconds; twice as long each time, and never quite the same. */
    private const PAUSE = 20;

    private const TOLD = ['Content-Type', 'Operation', TellChangeMarks::HEADER];

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if ($request->isMethodSafe()) {
            return $next($request);
        }
        $key = $this->key($request);
        $person = $request->user();
        $keyed = $key !== null && $person instanceof Person;
        for ($attempt = 0; $attempt < self::ATTEMPTS; $attempt++) {
            if ($attempt > 0) {
                Sleep::for(self::PAUSE * 2 ** $attempt + random_int(0, self::PAUSE))->milliseconds();
            }
            $response = $keyed ? $this->once($person, $key, $request, $next) : $next($request);
            if (! $this->isInTheWay($response)) {
                return $response;
            }
        }

        return Problem::busy();
    }

    /** @param  Closure(Request): Response  $next */
    private function once(Person $person, string $key, Request $request, Closure $next): Response
    {
        $of = ['person_id' => $person->id, 'key' => $key];
        DB::beginTransaction();
        try {
            // Whoever comes with the same key at the same moment waits here for the end of the first.
            $isFirst = DB::table('idempotency_keys')->insertOrIgnore($of + ['request' => $this->fingerprint($request), 'created_at' => now()]) === 1;
            $response = $isFirst ? $next($request) : $this->again($of, $request);
        } catch (Throwable $problem) {
            $this->takeBack();
            if ($this->causedByConcurrencyError($problem)) {
                return Problem::busy()->withException($problem);
            }
            throw $problem;
        }
        if (! $response->isSuccessful()) {
            $this->takeBack();

            return $response;
        }
        if ($isFirst) {
            DB::table('idempotency_keys')->where($of)->update([
                'status' => $response->getStatusCode(),
                'headers' => json_encode(array_intersect_key($response->headers->all(), array_flip(array_map(strtolower(...), self::TOLD)))),
                // It may be a secret that is told once, such as the address of a feed.
                'body' => Crypt::encryptString((string) $response->getContent()),
            ]);
        }
        DB::commit();

        return $response;
    }

    private function takeBack(): void
    {
        try {
            DB::rollBack();
        } catch (PDOException $problem) {
            // Where the database is gone, it has taken it back itself.
            report($problem);
        }
    }

    /** @param  array{person_id: int, key: string}  $of */
    private function again(array $of, Request $request): Response
    {
        $known = DB::table('idempotency_keys')->where($of)->lockForUpdate()->first();
        if ($known === null || $known->status === null) {
            return Problem::busy();
        }
        if ($known->request !== $this->fingerprint($request)) {
            return Problem::response(422, 'This key was used for something else.', 'Each thing that is asked for has a key of its own.');
        }

        return new PlainResponse(Crypt::decryptString($known->body), $known->status, json_decode($known->headers, true));
    }

    private function key(Request $request): ?string
    {
        $key = $request->header(self::HEADER);

        return $request->isMethod('POST') && is_string($key) && preg_match('/^[\x21-\x7e]{8,64}$/', $key) === 1 ? $key : null;
    }

    private function fingerprint(Request $request): string
    {
        $files = array_map(static fn (mixed $file): string => $file instanceof UploadedFile ? (string) hash_file('sha256', $file->path()) : '', $request->allFiles());

        return hash('sha256', json_encode([$request->method(), $request->getRequestUri(), $request->getContent(), $files], JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE));
    }

    private function isInTheWay(Response $response): bool
    {
        $problem = $response instanceof JsonResponse || $response instanceof PlainResponse ? $response->exception : null;

        return $problem !== null && $this->causedByConcurrencyError($problem);
    }
}
