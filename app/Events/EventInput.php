<?php

namespace App\Events;

use App\Directory\Person;
use App\Http\InputList;
use App\Http\Rules\WallTime;
use App\Http\Rules\ZoneName;
use App\Organisation\SchoolDays;
use App\Overlays\RowMoveInput;
use App\Participants\ParticipantsInput;
use App\Preparation\TasksInput;
use App\Recurrence\RepeatInput;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Arr;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\AskWhen;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\GuestRight;
use PinnedRota\Core\Events\MeetingLink;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Places;
use PinnedRota\Core\Events\Reminders;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Events\TravelTime;
use PinnedRota\Core\ICalendar\ForeignContent;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RecurrenceShift;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** What a form or a drag sends of an event; what it leaves out stays as it is. */
#[OA\Schema(schema: 'EventInput', required: ['calendar', 'title', 'start'], allOf: [new OA\Schema(ref: '#/components/schemas/EventChange')])]
#[OA\Schema(schema: 'EventChange', required: [], properties: [
    new OA\Property(property: 'calendar', type: 'string'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'start', type: 'string'),
    new OA\Property(property: 'allDay', type: 'boolean'),
    new OA\Property(property: 'end', type: 'string', nullable: true),
    new OA\Property(property: 'timezone', type: 'string', nullable: true),
    new OA\Property(property: 'tz', type: 'string', description: 'The zone on whose wall start and end are told, where it is not the event’s own; a new event is in it'),
    new OA\Property(property: 'organiser', type: 'integer', nullable: true, description: 'Id of whoever asks those who take part; null: who added the event'),
    new OA\Property(property: 'place', type: 'string', nullable: true),
    new OA\Property(property: 'link', type: 'string', nullable: true),
    new OA\Property(property: 'meeting', type: 'string', nullable: true, description: 'Where it meets online: an address; null for nowhere'),
    new OA\Property(property: 'description', type: 'string', nullable: true),
    new OA\Property(property: 'status', type: 'string', enum: Status::class),
    new OA\Property(property: 'busy', type: 'boolean'),
    new OA\Property(property: 'private', type: 'boolean'),
    new OA\Property(property: 'categories', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'priority', type: 'integer'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class, nullable: true),
    new OA\Property(property: 'joinable', description: 'Whether whoever may read it may join it', type: 'boolean'),
    new OA\Property(property: 'reminders', description: 'Minutes before the start; others that a file brought stay', type: 'array', items: new OA\Items(type: 'integer')),
    new OA\Property(property: 'tasks', description: 'The preparation list as it is to be; of the series, whatever time of it is changed', type: 'array', items: new OA\Items(ref: '#/components/schemas/TaskInput')),
    new OA\Property(property: 'participants', description: 'All who take part, but for what a file names by no mail address', type: 'array', items: new OA\Items(ref: '#/components/schemas/ParticipantInput')),
    new OA\Property(property: 'places', description: 'How many may come; null: no end to them', type: 'integer', nullable: true),
    new OA\Property(property: 'travel', description: 'Minutes that it takes to get there', type: 'integer', nullable: true),
    new OA\Property(property: 'guests', description: 'What those who are asked may do beyond answering', type: 'array', items: new OA\Items(type: 'string', enum: GuestRight::class)),
    new OA\Property(property: 'askWhen', description: 'From when on they are asked; null: as its calendar has it', type: 'string', enum: AskWhen::class, nullable: true),
    new OA\Property(property: 'tell', description: 'Whether those whom it concerns are told by mail; they are unless it says no', type: 'boolean'),
    new OA\Property(property: 'soon', description: 'Whether they are told as soon as it can no longer be undone at once, as of what was dragged, rather than with what else is changed within some minutes', type: 'boolean'),
    new OA\Property(property: 'row', allOf: [new OA\Schema(ref: '#/components/schemas/RowMoveInput')]),
    new OA\Property(property: 'repeat', nullable: true, allOf: [new OA\Schema(ref: '#/components/schemas/RepeatInput')]),
])]
final class EventInput extends FormRequest
{
    /** Four weeks, in minutes. */
    private const LONGEST_REMINDER = 40_320;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $new = $this->isMethod('POST') ? 'required' : 'sometimes';

        return [
            'calendar' => [$new, 'string', 'max:80'],
            'title' => [$new, 'string', 'max:500'],
            'allDay' => ['sometimes', 'boolean'],
            'start' => [$new, 'string', new WallTime],
            'end' => ['sometimes', 'nullable', 'string', new WallTime],
            'timezone' => ['sometimes', 'nullable', 'string', new ZoneName],
            'tz' => ['sometimes', 'string', new ZoneName],
            'place' => ['sometimes', 'nullable', 'string', 'max:500'],
            'link' => ['sometimes', 'nullable', 'string', 'max:2000', 'url:http,https'],
            'meeting' => ['sometimes', 'nullable', 'string', 'max:1900', 'url:http,https'],
            'description' => ['sometimes', 'nullable', 'string', 'max:60000'],
            'status' => ['sometimes', Rule::enum(Status::class)],
            'busy' => ['sometimes', 'boolean'],
            'private' => ['sometimes', 'boolean'],
            'categories' => ['sometimes', 'array', 'max:20'],
            'categories.*' => ['string', 'min:1', 'max:80'],
            'participants' => ['sometimes', 'array', 'max:100'],
            'participants.*.kind' => ['required', Rule::in(ParticipantsInput::KINDS)],
            'participants.*.id' => ['required_unless:participants.*.kind,address', 'nullable', 'integer'],
            'participants.*.address' => ['required_if:participants.*.kind,address', 'nullable', 'email', 'max:180'],
            'participants.*.name' => ['sometimes', 'nullable', 'string', 'max:120'],
            'participants.*.part' => ['required', Rule::in(ParticipantsInput::PARTS)],
            'organiser' => ['sometimes', 'nullable', 'integer', Rule::exists('people', 'id')],
            'tell' => ['sometimes', 'boolean'],
            'soon' => ['sometimes', 'boolean'],
            'priority' => ['sometimes', 'integer', 'between:0,9'],
            'colour' => ['sometimes', 'nullable', Rule::enum(Colour::class)],
            'joinable' => ['sometimes', 'boolean'],
            'places' => ['sometimes', 'nullable', 'integer', 'between:1,'.Places::MOST],
            'travel' => ['sometimes', 'nullable', 'integer', 'between:0,'.TravelTime::MOST],
            'guests' => ['sometimes', 'array', 'max:3'],
            'guests.*' => [Rule::enum(GuestRight::class)],
            'askWhen' => ['sometimes', 'nullable', Rule::enum(AskWhen::class)],
            'reminders' => ['sometimes', 'array', 'max:10'],
            'reminders.*' => ['integer', 'between:0,'.self::LONGEST_REMINDER],
        ] + RepeatInput::rules() + RowMoveInput::rules() + TasksInput::RULES;
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'title.required' => 'Give the event a title.',
            'title.max' => 'A title has at most 500 characters.',
            'calendar.required' => 'Choose the calendar it goes on.',
            'start.required' => 'Say when it starts.',
            'meeting.url' => 'A link begins with http:// or https://.',
            'link.url' => 'A link begins with http:// or https://.',
            'reminders.*.between' => 'A reminder comes at most four weeks before.',
            'places.between' => 'There are from 1 to 10,000 places; leave it empty where there is no end to them.',
            'travel.between' => 'The way there takes a day at most.',
            'priority.between' => 'A priority is a number from 1, the highest, to 9, or 0 for none.',
            'participants.*.address.email' => 'This is no mail address.',
            'participants.*.address.required_if' => 'Give the mail address.',
            'place.max' => 'A place has at most 500 characters.',
            'description.max' => 'The text has at most 60,000 characters.',
            'categories.max' => 'An event has at most 20 categories.',
            'categories.*.max' => 'A category has at most 80 characters.',
            'repeat.pick.prohibits' => 'Pick a repeat or write its rule, not both.',
            'repeat.pick.weekdays.required_if' => 'Choose at least one weekday.',
            'repeat.count.prohibits' => 'Choose one end: a date or a number of times.',
        ];
    }

    /**
     * The event that this input makes of another, or of nothing.
     *
     * @throws ValidationException where the parts do not go together
     */
    public function event(?Event $before, string $uid, string $defaultZone): Event
    {
        try {
            $event = new Event(
                uid: $uid,
                timing: $this->timing($before, $defaultZone),
                contents: $this->contents($before?->contents),
                recurrenceId: $before?->recurrenceId,
                andFollowing: $before->andFollowing ?? false,
                organizer: $this->organizer($before),
                participants: $this->has('participants') ? ParticipantsInput::put($before->participants ?? [], InputList::inOrder($this->validated('participants'))) : $before->participants ?? [],
                reminders: $this->has('reminders') ? Reminders::put($before->reminders ?? [], array_map(intval(...), $this->validated('reminders'))) : $before->reminders ?? [],
                // A colour that is chosen here is told instead of the one that the file had.
                foreign: $this->filled('colour') ? ($before->foreign ?? new ForeignContent)->without('COLOR') : $before->foreign ?? new ForeignContent,
                sequence: $before === null ? 0 : $before->sequence + 1,
                created: $before?->created,
            );

            $event = $this->withTerms($event);
            if ($this->has('meeting')) {
                $event = MeetingLink::put($event, $this->filled('meeting') ? trim((string) $this->validated('meeting')) : null);
            }

            return $this->has('row') ? RowMoveInput::move($this->validated('row'))->apply($event) : $event;
        } catch (InvalidTime $problem) {
            throw ValidationException::withMessages(['end' => $problem->getMessage()]);
        }
    }

    /** What it says of taking part in it. */
    private function withTerms(Event $event): Event
    {
        $number = fn (string $name): ?int => $this->filled($name) ? $this->integer($name) : null;
        if ($this->has('places')) {
            $event = Places::put($event, $number('places'));
        }
        if ($this->has('travel')) {
            $event = TravelTime::put($event, $number('travel'));
        }
        if ($this->has('guests')) {
            $event = GuestRight::put($event, array_map(GuestRight::from(...), array_values($this->validated('guests'))));
        }

        return $this->has('askWhen') ? AskWhen::put($event, $this->filled('askWhen') ? AskWhen::from($this->validated('askWhen')) : null) : $event;
    }

    private function contents(?EventContents $before): EventContents
    {
        $texts = [];
        foreach (EventContents::TEXTS as $name) {
            $texts[$name] = $this->given($name, $before?->texts()[$name] ?? '');
        }

        return new EventContents(
            ...['title' => trim($texts['title'])] + $texts,
            status: Status::from($this->given('status', ($before->status ?? Status::Confirmed)->value)),
            busy: $this->boolean('busy', $before->busy ?? true),
            private: $this->boolean('private', $before->private ?? false),
            categories: array_values(array_map(trim(...), $this->validated('categories', $before->categories ?? []))),
            priority: $this->integer('priority', $before->priority ?? 0),
            colour: $this->has('colour') ? Colour::tryFrom((string) $this->validated('colour')) : $before?->colour,
        );
    }

    /** Whoever asks the others: who is chosen, or null for whoever added the event. */
    private function organizer(?Event $before): ?Participant
    {
        if (! $this->has('organiser')) {
            return $before?->organizer;
        }
        $person = $this->validated('organiser') === null ? null : Person::query()->findOrFail($this->validated('organiser'));

        return $person === null ? null : Participant::ofPerson($person->id, $person->email, $person->name, ParticipantRole::Required);
    }

    /** @return list<string> those that it names, of which there may be no such yet */
    public function namedCategories(): array
    {
        $to = $this->input('row.by') === 'category' ? [trim((string) $this->validated('row.to'))] : [];

        return array_values(array_filter([...$this->validated('categories', []), ...$to], static fn (string $name): bool => $name !== ''));
    }

    /** Whether it says itself which dates of a series are left out, as they are meant to stand. */
    public function saysSkipped(): bool
    {
        return $this->has('repeat.skipped');
    }

    /** @return ?list<array{id?: ?int, title: string, days: int, doer?: ?int}> the preparation list; null where nothing is said of it */
    public function tasks(): ?array
    {
        return $this->has('tasks') ? InputList::inOrder($this->validated('tasks')) : null;
    }

    /** @throws InvalidTime */
    private function timing(?Event $before, string $defaultZone): EventTiming
    {
        $was = $before?->timing;
        $allDay = $this->boolean('allDay', $was?->isAllDay() ?? false);
        // What is clicked or drawn is on the wall of whoever does it: a new event is in their zone, one that is there keeps its own.
        $wall = $this->filled('tz') ? Zone::of($this->validated('tz')) : null;
        $zoneName = $this->has('timezone') ? $this->validated('timezone') : ($was === null || $was->isAllDay() ? $wall->id ?? $defaultZone : $was->start->zone?->id);
        $make = static fn (LocalDateTime $local): EventTime => match (true) {
            $allDay => EventTime::date($local),
            $zoneName === null => EventTime::floating($local),
            default => EventTime::zoned($local, $wall ?? Zone::of($zoneName))->inZone(Zone::of($zoneName)),
        };
        $start = match (true) {
            $this->has('start') => $make(LocalDateTime::parse($this->validated('start'))),
            $allDay => EventTime::date($was->start->local),
            $zoneName === null => EventTime::floating($was->start->local),
            default => EventTime::zoned($was->start->local, Zone::of($zoneName)),
        };
        // A start that moves takes the end along; a new event lasts an hour, or its day.
        $timing = match (true) {
            $was === null => EventTiming::from($start),
            $start->equals($was->start) && $start->zone?->id === $was->start->zone?->id => $was,
            default => $was->startingAt($start),
        };
        if ($this->filled('end')) {
            $timing = $timing->endingAt($make(LocalDateTime::parse($this->validated('end'))));
        }

        return $timing->repeating($this->recurrence($before, $start));
    }

    private function recurrence(?Event $before, EventTime $start): RecurrenceSet
    {
        $was = $before?->timing;
        $set = $was->recurrence ?? new RecurrenceSet;
        if ($before?->recurrenceId !== null) {
            return new RecurrenceSet;
        }
        if ($this->has('repeat')) {
            $repeat = $this->validated('repeat');

            return $repeat === null ? new RecurrenceSet : RepeatInput::set($repeat, $start, $set, $was?->start, $this->container->make(SchoolDays::class));
        }
        try {
            return $was === null || ! $set->repeats() ? $set : RecurrenceShift::of($set, $was->start, $start);
        } catch (InvalidRule $problem) {
            throw ValidationException::withMessages(['start' => $problem->getMessage()]);
        }
    }

    private function given(string $key, string $otherwise): string
    {
        return $this->has($key) ? (string) Arr::get($this->validated(), $key) : $otherwise;
    }
}
