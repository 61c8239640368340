<?php

namespace App\Events;

use App\Http\Rules\WallTime;
use App\Http\Rules\ZoneName;
use App\Preparation\TasksInput;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Arr;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Events\Event as CoreEvent;
use PinnedRota\Core\Events\Reminders;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\ICalendar\Property;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RecurrenceShift;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** What a form or a drag sends of an event; what it leaves out stays as it is. */
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
            'place' => ['sometimes', 'nullable', 'string', 'max:500'],
            'link' => ['sometimes', 'nullable', 'string', 'max:2000', 'url:http,https'],
            'description' => ['sometimes', 'nullable', 'string', 'max:60000'],
            'status' => ['sometimes', Rule::enum(Status::class)],
            'busy' => ['sometimes', 'boolean'],
            'private' => ['sometimes', 'boolean'],
            'categories' => ['sometimes', 'array', 'max:20'],
            'categories.*' => ['string', 'min:1', 'max:80'],
            'participants' => ['sometimes', 'array', 'max:100'],
            'participants.*.kind' => ['required', Rule::in(ParticipantsInput::KINDS)],
            'participants.*.id' => ['required', 'integer'],
            'participants.*.part' => ['required', Rule::in(ParticipantsInput::PARTS)],
            'priority' => ['sometimes', 'integer', 'between:0,9'],
            'colour' => ['sometimes', 'nullable', Rule::enum(Colour::class)],
            'joinable' => ['sometimes', 'boolean'],
            'reminders' => ['sometimes', 'array', 'max:10'],
            'reminders.*' => ['integer', 'between:0,'.self::LONGEST_REMINDER],
        ] + RepeatInput::rules() + TasksInput::RULES;
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'title.required' => 'Give the event a title.',
            'title.max' => 'A title has at most 500 characters.',
            'calendar.required' => 'Choose the calendar it goes on.',
            'start.required' => 'Say when it starts.',
            'link.url' => 'A link begins with http:// or https://.',
            'reminders.*.between' => 'A reminder comes at most four weeks before.',
            'priority.between' => 'A priority is a number from 1, the highest, to 9, or 0 for none.',
            'place.max' => 'A place has at most 500 characters.',
            'description.max' => 'The text has at most 60,000 characters.',
            'categories.max' => 'An event has at most 20 categories.',
            'categories.*.max' => 'A category has at most 80 characters.',
            'repeat.count.prohibits' => 'Choose one end: a date or a number of times.',
        ];
    }

    /**
     * The event that this input makes of another, or of nothing.
     *
     * @throws ValidationException where the parts do not go together
     */
    public function event(?CoreEvent $before, string $uid, string $defaultZone): CoreEvent
    {
        [$start, $end] = $this->times($before, $defaultZone);
        try {
            return new CoreEvent(
                uid: $uid,
                title: trim($this->given('title', $before->title ?? '')),
                start: $start,
                end: $end,
                recurrence: $this->recurrence($before, $start),
                recurrenceId: $before?->recurrenceId,
                place: $this->given('place', $before->place ?? ''),
                description: $this->given('description', $before->description ?? ''),
                link: $this->given('link', $before->link ?? ''),
                status: Status::from($this->given('status', ($before->status ?? Status::Confirmed)->value)),
                busy: $this->boolean('busy', $before->busy ?? true),
                private: $this->boolean('private', $before->private ?? false),
                categories: array_values(array_map(trim(...), $this->validated('categories', $before->categories ?? []))),
                priority: $this->integer('priority', $before->priority ?? 0),
                sequence: $before === null ? 0 : $before->sequence + 1,
                andFollowing: $before->andFollowing ?? false,
                organizer: $before?->organizer,
                participants: $this->has('participants') ? ParticipantsInput::put($before->participants ?? [], array_values($this->validated('participants'))) : $before->participants ?? [],
                reminders: $this->has('reminders') ? Reminders::put($before->reminders ?? [], array_map(intval(...), $this->validated('reminders'))) : $before->reminders ?? [],
                extra: $this->extra($before->extra ?? []),
                components: $before->components ?? [],
                colour: $this->has('colour') ? Colour::tryFrom((string) $this->validated('colour')) : $before?->colour,
            );
        } catch (InvalidTime $problem) {
            throw ValidationException::withMessages(['end' => $problem->getMessage()]);
        }
    }

    /**
     * @param  list<Property>  $before
     * @return list<Property> what is kept of a file; a colour that is chosen here is told instead of the one it had
     */
    private function extra(array $before): array
    {
        return $this->filled('colour') ? array_values(array_filter($before, static fn (Property $each): bool => $each->name !== 'COLOR')) : $before;
    }

    /** Whether it says itself which dates of a series are left out, as they are meant to stand. */
    public function saysSkipped(): bool
    {
        return $this->has('repeat.skipped');
    }

    /** @return array<string, mixed> further columns of the head: what is no part of the event for others */
    public function more(): array
    {
        return $this->has('joinable') ? ['joinable' => $this->boolean('joinable')] : [];
    }

    /** @return array{EventTime, EventTime} */
    private function times(?CoreEvent $before, string $defaultZone): array
    {
        $allDay = $this->boolean('allDay', $before?->isAllDay() ?? false);
        $zoneName = $this->has('timezone') ? $this->validated('timezone') : ($before === null || $before->isAllDay() ? $defaultZone : $before->start->zone?->id);
        $make = static fn (LocalDateTime $local): EventTime => match (true) {
            $allDay => EventTime::date($local),
            $zoneName === null => EventTime::floating($local),
            default => EventTime::zoned($local, Zone::of($zoneName)),
        };
        $start = $make($this->has('start') ? LocalDateTime::parse($this->validated('start')) : $before->start->local);
        if ($this->filled('end')) {
            return [$start, $make(LocalDateTime::parse($this->validated('end')))];
        }
        // A start that moves takes the end along; a new event lasts an hour, or its day.
        $length = $before === null || $before->isAllDay() !== $allDay
            ? ($allDay ? CivilDate::SECONDS_PER_DAY : 3600)
            : $before->end->local->seconds - $before->start->local->seconds;

        return [$start, $make($start->local->plusSeconds($length))];
    }

    private function recurrence(?CoreEvent $before, EventTime $start): RecurrenceSet
    {
        $set = $before->recurrence ?? new RecurrenceSet;
        if ($before?->recurrenceId !== null) {
            return new RecurrenceSet;
        }
        if ($this->has('repeat')) {
            $repeat = $this->validated('repeat');

            return $repeat === null ? new RecurrenceSet : RepeatInput::set($repeat, $start, $set, $before?->start);
        }
        try {
            return $before === null || ! $set->repeats() ? $set : RecurrenceShift::of($set, $before->start, $start);
        } catch (InvalidRule $problem) {
            throw ValidationException::withMessages(['start' => $problem->getMessage()]);
        }
    }

    private function given(string $key, string $otherwise): string
    {
        return $this->has($key) ? (string) Arr::get($this->validated(), $key) : $otherwise;
    }
}
