<?php

namespace App\Bulk;

use App\Http\InputList;
use App\Http\Rules\ZoneName;
use App\Participants\ParticipantsInput;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\BulkChange;
use PinnedRota\Core\Events\PartyKind;
use PinnedRota\Core\Events\Status;

/** Events, each with the version that it was seen in, and what is done with all of them; or the cells of each, as they are typed. */
#[OA\Schema(schema: 'BulkEvent', required: ['id', 'version'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'version', type: 'integer'),
    new OA\Property(property: 'cells', description: 'Texts by column ('.self::COLUMNS[0].', …), as they are typed', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string')),
])]
#[OA\Schema(schema: 'BulkInput', required: ['events', 'tz'], properties: [
    new OA\Property(property: 'tz', description: 'Zone in which times are typed', type: 'string'),
    new OA\Property(property: 'events', type: 'array', items: new OA\Items(ref: '#/components/schemas/BulkEvent')),
    new OA\Property(property: 'delete', type: 'boolean'),
    new OA\Property(property: 'copyDays', description: 'Adds copies so many days later', type: 'integer', nullable: true),
    new OA\Property(property: 'calendar', type: 'string', nullable: true),
    new OA\Property(property: 'place', type: 'string', nullable: true),
    new OA\Property(property: 'status', type: 'string', nullable: true, enum: Status::class),
    new OA\Property(property: 'busy', type: 'boolean', nullable: true),
    new OA\Property(property: 'private', type: 'boolean', nullable: true),
    new OA\Property(property: 'priority', type: 'integer', nullable: true),
    new OA\Property(property: 'shiftDays', type: 'integer'),
    new OA\Property(property: 'shiftMinutes', type: 'integer'),
    new OA\Property(property: 'addCategories', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'dropCategories', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'addParticipants', type: 'array', items: new OA\Items(ref: '#/components/schemas/ParticipantInput')),
    new OA\Property(property: 'dropParticipants', type: 'array', items: new OA\Items(required: ['kind', 'id'], properties: [new OA\Property(property: 'kind', type: 'string', enum: PartyKind::class), new OA\Property(property: 'id', type: 'integer')], type: 'object')),
])]
final class BulkInput extends FormRequest
{
    /** What a cell may be of. */
    public const COLUMNS = ['title', 'when', 'calendar', 'place', 'categories', 'status', 'responsible'];

    private const MOST = 2_000;

    /**
     * An input that was taken before, and is carried out now.
     *
     * @param  array<string, mixed>  $input
     */
    public static function of(array $input): self
    {
        $request = self::create('/', 'POST', $input);
        $request->setContainer(app())->setRedirector(app('redirect'));
        $request->validateResolved();

        return $request;
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'tz' => ['required', 'string', new ZoneName],
            'events' => ['required', 'array', 'min:1', 'max:'.self::MOST],
            'events.*.id' => ['required', 'integer', 'distinct'],
            'events.*.version' => ['required', 'integer'],
            'events.*.cells' => ['sometimes', 'array:'.implode(',', self::COLUMNS)],
            'events.*.cells.*' => ['nullable', 'string', 'max:1000'],
            'delete' => ['sometimes', 'boolean'],
            'copyDays' => ['sometimes', 'nullable', 'integer', 'between:-4000,4000', 'not_in:0'],
            'calendar' => ['sometimes', 'nullable', 'string', 'max:80'],
            'place' => ['sometimes', 'nullable', 'string', 'max:500'],
            'status' => ['sometimes', 'nullable', Rule::enum(Status::class)],
            'busy' => ['sometimes', 'nullable', 'boolean'],
            'private' => ['sometimes', 'nullable', 'boolean'],
            'priority' => ['sometimes', 'nullable', 'integer', 'between:0,9'],
            'shiftDays' => ['sometimes', 'integer', 'between:-4000,4000'],
            'shiftMinutes' => ['sometimes', 'integer', 'between:-1440,1440'],
            'addCategories' => ['sometimes', 'array', 'max:20'],
            'addCategories.*' => ['string', 'min:1', 'max:80'],
            'dropCategories' => ['sometimes', 'array', 'max:20'],
            'dropCategories.*' => ['string', 'max:80'],
            'addParticipants' => ['sometimes', 'array', 'max:50'],
            'addParticipants.*.kind' => ['required', Rule::in(ParticipantsInput::KINDS)],
            'addParticipants.*.id' => ['required', 'integer'],
            'addParticipants.*.part' => ['required', Rule::in(ParticipantsInput::PARTS)],
            'dropParticipants' => ['sometimes', 'array', 'max:50'],
            'dropParticipants.*.kind' => ['required', Rule::in(ParticipantsInput::KINDS)],
            'dropParticipants.*.id' => ['required', 'integer'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'events.required' => 'Choose at least one event.',
            'events.max' => 'At most '.self::MOST.' events are changed at once.',
            'shiftDays.between' => 'Events are moved by at most 4,000 days.',
            'shiftMinutes.between' => 'Events are moved by at most a day of minutes; use days beyond that.',
            'copyDays.not_in' => 'A copy goes to other days.',
            'place.max' => 'A place has at most 500 characters.',
        ];
    }

    /** @throws ValidationException where somebody who is named is not there */
    public function change(): BulkChange
    {
        $people = fn (string $name, string $part): array => ParticipantsInput::put([], array_map(static fn (array $each): array => $each + ['part' => $part], InputList::inOrder($this->validated($name, []))));
        $bool = fn (string $name): ?bool => $this->filled($name) || $this->input($name) === false ? $this->boolean($name) : null;

        return new BulkChange(
            place: $this->has('place') ? (string) $this->validated('place') : null,
            status: $this->filled('status') ? Status::from($this->validated('status')) : null,
            busy: $bool('busy'),
            private: $bool('private'),
            priority: $this->filled('priority') ? $this->integer('priority') : null,
            shiftDays: $this->integer('shiftDays'),
            shiftMinutes: $this->integer('shiftMinutes'),
            addCategories: array_map(trim(...), array_values($this->validated('addCategories', []))),
            dropCategories: array_values($this->validated('dropCategories', [])),
            addParticipants: $people('addParticipants', 'required'),
            dropParticipants: $people('dropParticipants', 'required'),
        );
    }

    /** @return list<int> in the order in which they are locked */
    public function ids(): array
    {
        return collect($this->validated('events'))->pluck('id')->map(intval(...))->sort()->values()->all();
    }

    /** @return array<int, array{position: int, version: int, cells: array<string, string>}> by id */
    public function events(): array
    {
        $events = [];
        foreach (InputList::inOrder($this->validated('events')) as $position => $each) {
            $events[(int) $each['id']] = ['position' => $position, 'version' => (int) $each['version'], 'cells' => array_map(static fn (?string $text): string => trim((string) $text), $each['cells'] ?? [])];
        }

        return $events;
    }
}
