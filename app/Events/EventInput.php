<?php

namespace App\Events;

use App\Directory\Person;
use App\Http\Rules\WallTime;
use App\Http\Rules\ZoneName;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Arr;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Events\Event as CoreEvent;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Responsible;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\Rule as RecurrenceRule;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Recurrence\WeekdayRule;
use PinnedRota\Core\Recurrence\WeeklyRepeat;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** What a form or a drag sends of an event; what it leaves out stays as it is. */
final class EventInput extends FormRequest
{
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
            'responsible' => ['sometimes', 'array', 'max:20'],
            'responsible.*' => ['integer', Rule::exists('people', 'id')],
            'repeat' => ['sometimes', 'nullable', 'array'],
            'participants' => ['sometimes', 'array', 'max:100'],
            'participants.*.kind' => ['required', Rule::in(['person', 'group'])],
            'participants.*.id' => ['required', 'integer'],
            'participants.*.part' => ['required', Rule::in(ParticipantsInput::PARTS)],
            'repeat.rule' => ['sometimes', 'nullable', 'string', 'max:500'],
            'repeat.interval' => ['exclude_with:repeat.rule', 'required_with:repeat', 'integer', 'min:1', 'max:99'],
            'repeat.weekdays' => ['exclude_with:repeat.rule', 'required_with:repeat', 'array', 'min:1'],
            'repeat.weekdays.*' => [Rule::in(WeekdayRule::NAMES)],
            'repeat.until' => ['sometimes', 'nullable', 'string', new WallTime],
            'repeat.count' => ['sometimes', 'nullable', 'integer', 'min:1', 'max:999', 'prohibits:repeat.until'],
        ];
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
            'repeat.weekdays.required_with' => 'Choose at least one weekday.',
            'repeat.weekdays.min' => 'Choose at least one weekday.',
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
                priority: $before->priority ?? 0,
                sequence: $before === null ? 0 : $before->sequence + 1,
                andFollowing: $before->andFollowing ?? false,
                organizer: $before?->organizer,
                participants: $this->participants($before->participants ?? []),
                reminders: $before->reminders ?? [],
                extra: $before->extra ?? [],
                components: $before->components ?? [],
            );
        } catch (InvalidTime $problem) {
            throw ValidationException::withMessages(['end' => $problem->getMessage()]);
        }
    }

    /**
     * @param  list<Participant>  $before
     * @return list<Participant>
     */
    private function participants(array $before): array
    {
        if ($this->has('participants')) {
            $before = ParticipantsInput::put($before, array_values($this->validated('participants')));
        }

        return $this->has('responsible') ? Responsible::put($before, $this->responsible($before)) : $before;
    }

    /**
     * Those whom the input names, and those who were so before and are in no directory that one could name them from.
     *
     * @param  list<Participant>  $before
     * @return list<Participant>
     */
    private function responsible(array $before): array
    {
        $before = array_filter($before, static fn (Participant $each): bool => $each->role === ParticipantRole::Responsible);
        $known = Person::atAddresses(array_map(static fn (Participant $each): string => $each->mailAddress(), $before));
        $named = Person::query()->whereKey($this->validated('responsible'))->get()
            ->map(static fn (Person $person): Participant => ParticipantsInput::person($person, ParticipantRole::Responsible));

        return [...array_values(array_filter($before, static fn (Participant $each): bool => ! $known->has($each->mailAddress()))), ...$named->all()];
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
            if ($repeat === null) {
                return new RecurrenceSet;
            }
            if (! empty($repeat['rule'])) {
                return new RecurrenceSet([$this->ruleOf($repeat, $start)], $set->extraDates, $set->skippedDates);
            }
            $weekly = new WeeklyRepeat(
                (int) $repeat['interval'],
                array_map(static fn (string $day): int => (int) array_search($day, WeekdayRule::NAMES, true), array_values($repeat['weekdays'])),
                empty($repeat['until']) ? null : LocalDateTime::parse($repeat['until']),
                isset($repeat['count']) ? (int) $repeat['count'] : null,
            );
            if ($weekly->until !== null && $weekly->until->day() < $start->local->day()) {
                throw ValidationException::withMessages(['repeat.until' => 'The repeat ends before the event starts.']);
            }

            return new RecurrenceSet([$weekly->toRule($start)], $set->extraDates, $set->skippedDates);
        }
        $days = $before === null ? 0 : $start->local->day() - $before->start->local->day();

        return $before === null || $days === 0 || ! $set->repeats() ? $set : $this->moved($set, $before->start, $start, $days);
    }

    /**
     * @param  array<string, mixed>  $repeat
     *
     * @throws ValidationException where there is no such rule, or it ends before it begins
     */
    private function ruleOf(array $repeat, EventTime $start): RecurrenceRule
    {
        try {
            $rule = (new RuleParser)->parse($repeat['rule'])->endingBy(isset($repeat['count']) ? (int) $repeat['count'] : null, null);
        } catch (InvalidRule $problem) {
            throw ValidationException::withMessages(['repeat.rule' => $problem->getMessage()]);
        }
        if (empty($repeat['until'])) {
            return $rule;
        }
        $until = LocalDateTime::parse($repeat['until']);
        if ($until->day() < $start->local->day()) {
            throw ValidationException::withMessages(['repeat.until' => 'The repeat ends before the event starts.']);
        }

        return $rule->endingOn($until, $start);
    }

    /** The recurrence of a series that moves by whole days. */
    private function moved(RecurrenceSet $set, EventTime $from, EventTime $to, int $days): RecurrenceSet
    {
        $rules = [];
        foreach ($set->rules as $rule) {
            if (! $rule->namesDays()) {
                $rules[] = $rule;

                continue;
            }
            $weekly = WeeklyRepeat::fromRule($rule, $from)
                ?? throw ValidationException::withMessages(['start' => 'This series repeats by a rule that fixes its days. Move one occurrence, or change the repeat.']);
            $rules[] = $weekly->shiftedBy($days)->toRule($to);
        }

        return new RecurrenceSet($rules, array_map(static fn (ExtraDate $date): ExtraDate => $date->shiftedBy($days * CivilDate::SECONDS_PER_DAY), $set->extraDates), $set->skippedDates);
    }

    private function given(string $key, string $otherwise): string
    {
        return $this->has($key) ? (string) Arr::get($this->validated(), $key) : $otherwise;
    }
}
