<?php

namespace App\Http\Rules;

use Closure;
use Illuminate\Contracts\Validation\ValidationRule;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;

/** A date, or a date and time, without a zone. */
final class WallTime implements ValidationRule
{
    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        try {
            LocalDateTime::parse(is_string($value) ? $value : '');
        } catch (InvalidTime $problem) {
            $fail($problem->getMessage());
        }
    }
}
