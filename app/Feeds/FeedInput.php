<?php

namespace App\Feeds;

use App\Overlays\ConditionsInput;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** What a feed link gives, as it was sent. */
#[OA\Schema(schema: 'FeedInput', required: ['name', 'detail'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'detail', type: 'string', enum: ['full', 'busy']),
    new OA\Property(property: 'weeksBack', type: 'integer', nullable: true, minimum: 0, maximum: FeedInput::MOST_WEEKS, description: 'How far back it goes; null: as far as is known'),
    new OA\Property(property: 'reminderMinutes', type: 'integer', nullable: true, minimum: 0, maximum: FeedInput::MOST_MINUTES, description: 'So long before each event a device reminds; null: not at all'),
    new OA\Property(property: 'conditions', type: 'array', items: new OA\Items(ref: '#/components/schemas/Condition'), description: 'What it asks of events; all must hold'),
])]
final class FeedInput
{
    public const MOST_WEEKS = 260;

    /** A week. */
    public const MOST_MINUTES = 10_080;

    /**
     * @return array<string, mixed> columns of a feed
     *
     * @throws ValidationException
     */
    public static function columns(Request $request): array
    {
        $input = $request->validate([
            'name' => ['required', 'string', 'max:120'],
            'detail' => ['required', Rule::in(['full', 'busy'])],
            'weeksBack' => ['sometimes', 'nullable', 'integer', 'between:0,'.self::MOST_WEEKS],
            'reminderMinutes' => ['sometimes', 'nullable', 'integer', 'between:0,'.self::MOST_MINUTES],
            'conditions' => ['sometimes', 'array', 'max:20'],
            'conditions.*' => ['array'],
        ], ['name.required' => 'Say who or what place the link is for.']);
        $conditions = ConditionsInput::of($input['conditions'] ?? []);
        if ($conditions->errors !== []) {
            throw ValidationException::withMessages($conditions->errors);
        }

        return [
            'name' => $input['name'], 'detail' => $input['detail'], 'conditions' => $conditions->values ?: null,
            'weeks_back' => isset($input['weeksBack']) ? (int) $input['weeksBack'] : null, 'reminder_minutes' => isset($input['reminderMinutes']) ? (int) $input['reminderMinutes'] : null,
        ];
    }
}
