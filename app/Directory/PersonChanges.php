<?php

namespace App\Directory;

use App\Access\Audience;
use App\ChangeLog\ChangeLog;
use App\Changes\Change;
use Illuminate\Support\Facades\DB;

/** Changes what is said of a person, by whichever way, and writes what was another before to the change log. */
final class PersonChanges
{
    public function __construct(private readonly Audience $audience)
    {
    }

    /** @param  array<string, mixed>  $columns */
    public function put(Person $person, array $columns, Person $by): void
    {
        DB::transaction(function () use ($person, $columns, $by): void {
            $before = $person->only(array_keys($columns));
            $person->update($columns);
            $changed = array_filter($person->only(array_keys($columns)), fn (mixed $value, string $name): bool => $value !== $before[$name], ARRAY_FILTER_USE_BOTH);
            if ($changed !== []) {
                ChangeLog::person($person, $by, array_intersect_key($before, $changed), $changed);
                Change::ofAccess($this->audience->withAdministrators([$person->id]));
            }
        });
    }
}
