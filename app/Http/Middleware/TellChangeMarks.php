<?php

namespace App\Http\Middleware;

use App\Changes\OwnMarks;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Tells whoever has changed something the marks of it, so that their browser need not fetch its own change twice. */
final class TellChangeMarks
{
    public const HEADER = 'Changes';

    /** With more than these one's own changes are fetched once more: a header has an end. */
    private const MOST = 100;

    public function __construct(private readonly OwnMarks $own)
    {
    }

    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $marks = $this->own->all();
        if ($marks !== [] && $response->isSuccessful()) {
            $response->headers->set(self::HEADER, implode(' ', array_slice($marks, 0, self::MOST)));
        }

        return $response;
    }
}
