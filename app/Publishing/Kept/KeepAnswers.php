<?php

namespace App\Publishing\Kept;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Keeps the answers that say so, with all the headers that they go out with; around whatever else is done with an answer. */
final class KeepAnswers
{
    /** What holds for one request alone. */
    private const NOT_KEPT = ['date', 'set-cookie', 'x-ratelimit-limit', 'x-ratelimit-remaining'];

    public function __construct(private readonly KeptAnswers $answers)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (! KeptAnswers::takes($request->getRequestUri())) {
            return $next($request);
        }
        // Before anything is read: what is changed from now on makes the answer another.
        $generation = $this->answers->generation();
        $response = $next($request);
        $keeping = Keeping::of($request);
        if ($keeping !== null && $response->getStatusCode() === 200 && $request->isMethod('GET')) {
            $headers = array_filter($response->headers->allPreserveCaseWithoutCookies(), static fn (string $name): bool => ! in_array(strtolower($name), self::NOT_KEPT, true), ARRAY_FILTER_USE_KEY);
            $this->answers->keep($request->getRequestUri(), (string) $response->getContent(), array_map(static fn (array $values): string => (string) $values[0], $headers), $generation, $keeping->ends, $keeping->of);
        }

        return $response;
    }
}
