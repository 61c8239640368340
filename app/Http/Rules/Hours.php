<?php

namespace App\Http\Rules;

use Closure;
use Illuminate\Contracts\Validation\ValidationRule;
use PinnedRota\Core\Directory\InvalidWorkingHours;
use PinnedRota\Core\Directory\WorkingHours;

/** Working hours of a week, as PinnedRota\Core\Directory\WorkingHours has them. */
final class Hours implements ValidationRule
{
    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        $rows = array_map(static fn (mixed $row): array => [
            'day' => self::text($row, 'day'), 'from' => self::text($row, 'from'), 'to' => self::text($row, 'to'),
        ], is_array($value) ? array_values($value) : []);
        try {
            WorkingHours::of($rows);
        } catch (InvalidWorkingHours $problem) {
            $fail($problem->getMessage());
        }
    }

    private static function text(mixed $row, string $name): string
    {
        return is_array($row) && is_string($row[$name] ?? null) ? mb_strimwidth($row[$name], 0, 20) : '';
    }
}
