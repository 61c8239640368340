<?php

namespace App\Weeks;

use App\Http\Rules\WallTime;
use App\Http\Rules\ZoneName;
use Illuminate\Foundation\Http\FormRequest;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;

/** A week of a calendar, the weeks over which it is laid, and the calendar that says which days are closed. */
#[OA\Schema(schema: 'WeeksInput', required: ['calendar', 'week', 'from', 'to', 'tz'], properties: [
    new OA\Property(property: 'calendar', type: 'string'),
    new OA\Property(property: 'week', description: 'A day of the week that is laid', type: 'string', format: 'date'),
    new OA\Property(property: 'from', description: 'A day of the first week', type: 'string', format: 'date'),
    new OA\Property(property: 'to', description: 'The last day', type: 'string', format: 'date'),
    new OA\Property(property: 'every', description: 'In every so many weeks', type: 'integer'),
    new OA\Property(property: 'closures', description: 'The calendar that says which days are closed', type: 'string', nullable: true),
    new OA\Property(property: 'tz', type: 'string'),
    new OA\Property(property: 'events', description: 'Only these of the week', type: 'array', items: new OA\Items(type: 'integer')),
])]
final class WeeksInput extends FormRequest
{
    private const MOST_WEEKS = 120;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'calendar' => ['required', 'string', 'max:80'],
            'week' => ['required', 'string', new WallTime],
            'from' => ['required', 'string', new WallTime],
            'to' => ['required', 'string', new WallTime],
            'every' => ['sometimes', 'integer', 'between:1,12'],
            'closures' => ['sometimes', 'nullable', 'string', 'max:80'],
            'tz' => ['required', 'string', new ZoneName],
            'events' => ['sometimes', 'array', 'max:500'],
            'events.*' => ['integer'],
        ];
    }

    public function after(): array
    {
        return [function ($validator): void {
            if ($validator->errors()->isEmpty()) {
                $days = $this->last() - $this->first();
                if ($days < 0 || $days > 7 * self::MOST_WEEKS) {
                    $validator->errors()->add('to', $days < 0 ? 'The last week is before the first.' : 'A week is laid over at most '.self::MOST_WEEKS.' weeks.');
                }
            }
        }];
    }

    /** Day number of the Monday of the week that is laid. */
    public function monday(): int
    {
        return self::mondayOf($this->input('week'));
    }

    /** Day number of the Monday of the first week over which it is laid. */
    public function first(): int
    {
        return self::mondayOf($this->input('from'));
    }

    /** Day number of the last day over which it is laid. */
    public function last(): int
    {
        return LocalDateTime::parse((string) $this->input('to'))->day();
    }

    private static function mondayOf(mixed $date): int
    {
        $day = LocalDateTime::parse((string) $date)->day();

        return $day - CivilDate::weekday($day);
    }
}
