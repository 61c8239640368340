<?php

namespace App\Bulk;

use App\Http\InputList;
use App\Http\Rules\ZoneName;
use App\Participants\ParticipantsInput;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Illuminate\Validation\Validator;
use InvalidArgumentException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\BulkChange;
use PinnedRota\Core\Events\PartyKind;
use PinnedRota\Core\Events\Status;

/** Events, each with the version that it was seen in, and what is done with all of them; or the cells of each, as they are typed. */
#[OA\Schema(schema: 'BulkInput', required: ['events', 'tz'], properties: [
    new OA\Property(property: 'tz', description: 'Zone in which times are typed', type: 'string'),
    new OA\Property(property: 'events', type: 'array', items: new OA\Items(ref: '#/components/schemas/BulkEvent')),
    new OA\Property(property: 'newCategories', description: 'Whether cells may name categories that there are not yet', type: 'boolean'),
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

    private const MOST = 5_000;

    /** So many things that are wrong with the events are told. */
    private const MOST_ERRORS = 20;

    /** @var array<int, BulkEvent> by id */
    private array $told = [];

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
            'newCategories' => ['sometimes', 'boolean'],
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
            'addParticipants.*.kind' => ['required', Rule::in(ParticipantsInput::KNOWN)],
            'addParticipants.*.id' => ['required', 'integer'],
            'addParticipants.*.part' => ['required', Rule::in(ParticipantsInput::PARTS)],
            'dropParticipants' => ['sometimes', 'array', 'max:50'],
            'dropParticipants.*.kind' => ['required', Rule::in(ParticipantsInput::KNOWN)],
            'dropParticipants.*.id' => ['required', 'integer'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'events.required' => 'Choose at least one event.',
            'events.max' => 'At most '.number_format(self::MOST).' events are changed at once. Choose fewer: a shorter time, or one calendar after the other.',
            'shiftDays.between' => 'Events are moved by at most 4,000 days.',
            'shiftMinutes.between' => 'Events are moved by at most a day of minutes; use days beyond that.',
            'copyDays.not_in' => 'A copy goes to other days.',
            'place.max' => 'A place has at most 500 characters.',
        ];
    }

    /** Events are read one by one: rules with wildcards look through the whole input for each of them. */
    public function after(): array
    {
        return [function (Validator $validator): void {
            if ($validator->errors()->has('events')) {
                return;
            }
            foreach (array_values($this->input('events')) as $position => $each) {
                try {
                    $event = BulkEvent::read($each);
                    if (isset($this->told[$event->id])) {
                        $validator->errors()->add("events.{$position}.id", 'This event is named twice.');
                    }
                    $this->told[$event->id] = $event;
                } catch (InvalidArgumentException $problem) {
                    $validator->errors()->add("events.{$position}.{$problem->getMessage()}", 'This cannot be read.');
                }
                if ($validator->errors()->count() > self::MOST_ERRORS) {
                    return;
                }
            }
        }];
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
        $ids = array_keys($this->told);
        sort($ids);

        return $ids;
    }

    /** @return array<int, BulkEvent> by id, in the order in which they were sent */
    public function events(): array
    {
        return $this->told;
    }
}
