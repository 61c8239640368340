<?php

namespace App\Access;

use App\Calendars\Calendar;
use Closure;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Sees to it that nothing is left with nobody who manages it. */
final class Stewardship
{
    public function __construct(private readonly AccessReader $reader)
    {
    }

    /** @throws ConflictHttpException where nobody manages a calendar (any more) */
    public function demand(Calendar $calendar): void
    {
        if ($this->reader->roster()->managers($calendar->keeper(), $this->reader->grants($calendar)) === []) {
            throw $this->alone([$calendar->name]);
        }
    }

    /**
     * Makes a change, and takes it back where a calendar or an overlay that somebody managed would be left alone by it.
     *
     * @template T
     *
     * @param  Closure(): T  $change
     * @return T
     *
     * @throws ConflictHttpException naming what would be left alone
     */
    public function guard(Closure $change): mixed
    {
        return DB::transaction(function () use ($change): mixed {
            $before = $this->reader->managed();
            $result = $change();
            $alone = array_diff_key($before, $this->reader->managed());
            if ($alone !== []) {
                throw $this->alone(array_values($alone));
            }

            return $result;
        });
    }

    /** @param  list<string>  $names */
    private function alone(array $names): ConflictHttpException
    {
        $told = array_map(static fn (string $name): string => "“{$name}”", array_slice($names, 0, 5));
        $more = count($names) > 5 ? ' and '.(count($names) - 5).' more' : '';

        return new ConflictHttpException('That would leave '.implode(', ', $told).$more.' with nobody who manages '.(count($names) === 1 ? 'it' : 'them').'. Hand over first, or let somebody else manage.');
    }
}
