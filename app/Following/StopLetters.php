<?php

namespace App\Following;

use App\Directory\Person;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\URL;
use PinnedRota\Core\Notices\Pace;

/**
 * Ends the letters of one kind that somebody gets, by a signed link and without an account (RFC 8058: by a POST alone). The page that the link opens
 * changes nothing: mail programs follow links by themselves.
 */
final class StopLetters
{
    public static function link(Person $person, Pace $pace): string
    {
        return url('/').URL::signedRoute('letters.stop', ['person' => $person->id, 'pace' => $pace->value], absolute: false);
    }

    public function show(Request $request, int $person, string $pace): View
    {
        $stopped = $this->isStopped(Person::query()->findOrFail($person), Pace::from($pace));

        return view('letters.stop', ['pace' => $pace, 'isStopped' => $stopped, 'action' => $request->getRequestUri()]);
    }

    public function store(Request $request, int $person, string $pace): View
    {
        $of = Person::query()->findOrFail($person);
        $this->put($of, Pace::from($pace), $request->input('letters') === 'again');

        return $this->show($request, $person, $pace);
    }

    private function isStopped(Person $person, Pace $pace): bool
    {
        return $pace->isDigest()
            ? ! Digest::query()->where(['person_id' => $person->id, 'pace' => $pace, 'by_mail' => true])->exists()
            // Who has said nothing is written to of what they take part in.
            : Follow::query()->where(['person_id' => $person->id, 'kind' => FollowedKind::Mine])->exists() && ! Follow::query()->where(['person_id' => $person->id, 'pace' => $pace, 'by_mail' => true])->exists();
    }

    /** Whoever gets no letters any more finds what they were told by them under “For you”. */
    private function put(Person $person, Pace $pace, bool $isWanted): void
    {
        DB::transaction(static function () use ($person, $pace, $isWanted): void {
            if ($pace->isDigest()) {
                Digest::query()->where(['person_id' => $person->id, 'pace' => $pace])->update(['by_mail' => $isWanted]);
            } else {
                Follow::query()->firstOrCreate(['person_id' => $person->id, 'target' => FollowedKind::Mine->value], Follow::mine($person->id)->attributesToArray());
            }
            Follow::query()->where(['person_id' => $person->id, 'pace' => $pace])->update(['in_inbox' => true] + ($pace->isDigest() ? [] : ['by_mail' => $isWanted]));
        });
    }
}
