<?php

namespace App\Http\Middleware;

use App\Changes\ChangeMarks;
use App\Directory\Person;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Tells whoever has changed something the marks after it, so that their browser need not fetch its own change twice. */
final class TellChangeMarks
{
    public const HEADER = 'Changes';

    public function __construct(private readonly ChangeMarks $marks)
    {
    }

    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $person = $request->user();
        if (! $request->isMethodSafe() && $response->isSuccessful() && $person instanceof Person) {
            $marks = $this->marks->of($person);
            $response->headers->set(self::HEADER, "{$marks->events} {$marks->access}");
        }

        return $response;
    }
}
