<?php

namespace App\Overlays;

use App\Directory\Person;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Overlay\Grouping;
use PinnedRota\Core\Overlay\RowMove;

/** How an input says that an event was taken from one row of lanes to another. */
#[OA\Schema(schema: 'RowMoveInput', required: ['by', 'from', 'to'], properties: [
    new OA\Property(property: 'by', description: 'By what the rows are told apart; to another layer or calendar, the calendar is changed', type: 'string', enum: self::KINDS),
    new OA\Property(property: 'from', description: 'The key of the row it stands in', type: 'string'),
    new OA\Property(property: 'to', description: 'The key of the row of a person, the name of any other; empty for that of what has none', type: 'string'),
])]
final class RowMoveInput
{
    private const KINDS = [Grouping::Person->value, Grouping::Place->value, Grouping::Category->value];

    /** @return array<string, mixed> */
    public static function rules(): array
    {
        return [
            'row' => ['sometimes', 'array'],
            'row.by' => ['required_with:row', Rule::in(self::KINDS)],
            'row.from' => ['present_with:row', 'nullable', 'string', 'max:500'],
            'row.to' => ['present_with:row', 'nullable', 'string', 'max:500'],
        ];
    }

    /**
     * @param  array{by: string, from: ?string, to: ?string}  $row  as validated
     *
     * @throws ValidationException where there is no such person
     */
    public static function move(array $row): RowMove
    {
        [$from, $to] = [(string) $row['from'], (string) $row['to']];

        return match (Grouping::from($row['by'])) {
            Grouping::Place => RowMove::toPlace($to),
            Grouping::Category => RowMove::toCategory($from, $to),
            default => RowMove::toPerson($from, $to === Grouping::NONE ? null : self::person($to)),
        };
    }

    private static function person(string $key): Participant
    {
        $person = Person::query()->where('status', 'active')->find($key) ?? throw ValidationException::withMessages(['row' => 'Somebody here is not there any more.']);

        return Participant::ofPerson($person->id, $person->email, $person->name, ParticipantRole::Responsible);
    }
}
