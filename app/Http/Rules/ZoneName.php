<?php

namespace App\Http\Rules;

use Closure;
use Illuminate\Contracts\Validation\ValidationRule;
use PinnedRota\Core\Time\Zone;

/** The name of a time zone that is known here. */
final class ZoneName implements ValidationRule
{
    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        if (! is_string($value) || Zone::find($value) === null) {
            $fail('No time zone is called “'.mb_strimwidth(is_string($value) ? $value : '', 0, 60, '…').'”.');
        }
    }
}
