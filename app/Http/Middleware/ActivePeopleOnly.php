<?php

namespace App\Http\Middleware;

use App\Directory\Person;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** Ends the session of a person who was suspended or has left, at the next request. */
final class ActivePeopleOnly
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $person = $request->user();
        if ($person instanceof Person && ! $person->isActive()) {
            Auth::guard('web')->logout();
        }

        return $next($request);
    }
}
