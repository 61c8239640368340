<?php

namespace App\ChangeLog;

use App\Directory\Person;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use PinnedRota\Core\Directory\AgentWords;

/** Who has come in and who could not, from where; and who looked at the rota with whose eyes. */
final class SignInLog
{
    /** One word of a look in so many minutes: a sheet is read again and again. */
    private const BETWEEN_LOOKS = 60;

    public function came(Person $person, Request $request): void
    {
        ChangeLog::signIn($person, 'signed in', self::where($request));
    }

    /** Of an address that nobody here has nothing is kept: it may be anything, also a password typed in the wrong place. */
    public function failed(Person $person, Request $request): void
    {
        ChangeLog::signIn($person, 'failed to sign in', self::where($request));
    }

    public function lookedAs(Person $person, Person $other): void
    {
        if (Cache::add("looked:{$person->id}:{$other->id}", true, now()->addMinutes(self::BETWEEN_LOOKS))) {
            ChangeLog::signIn($person, 'looked as', ['as' => $other->name]);
        }
    }

    /** @return array{from: string, agent: string} */
    private static function where(Request $request): array
    {
        return ['from' => (string) $request->ip(), 'agent' => AgentWords::of((string) $request->userAgent())];
    }
}
