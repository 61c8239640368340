<?php

namespace App\Bulk;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Directory\Person;
use App\Events\TargetCalendar;
use App\Organisation\Organisation;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Events\BulkChange;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\OneLine\WhenText;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RecurrenceShift;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\Zone;

/** Reads the cells of one row, as they are typed or pasted, as a change of its event. */
final class Cells
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly TargetCalendar $targets, private readonly Organisation $organisation)
    {
    }

    /**
     * @param  array<string, string>  $cells  texts by column
     * @param  Zone  $wall  on whose wall times are typed
     *
     * @throws ValidationException with the column, where a text is none that can be there
     */
    public function apply(array $cells, Series $series, Zone $wall): Series
    {
        $event = $series->master ?? $series->overrides[0];
        if (isset($cells['when'])) {
            $series = $this->moved($series, $cells['when'], $wall);
        }

        return (new BulkChange(
            title: isset($cells['title']) ? $this->title($cells['title']) : null,
            place: isset($cells['place']) ? $this->short('place', $cells['place'], 500) : null,
            status: isset($cells['status']) ? $this->status($cells['status']) : null,
            addCategories: isset($cells['categories']) ? $this->categories($cells['categories']) : [],
            dropCategories: isset($cells['categories']) ? $event->contents->categories : [],
            addParticipants: isset($cells['responsible']) ? $this->people($cells['responsible']) : [],
            dropParticipants: isset($cells['responsible']) ? array_values(array_filter($event->participants, static fn (Participant $each): bool => $each->role === ParticipantRole::Responsible)) : [],
        ))->apply($series);
    }

    /** @throws ValidationException where there is no such calendar to add to */
    public function target(string $name): AccessibleCalendar
    {
        $named = $this->viewer->calendars()->first(fn (AccessibleCalendar $each): bool => mb_strtolower($each->calendar->name) === mb_strtolower($name) || $each->calendar->slug === $name);

        return $this->targets->named($named?->calendar->slug ?? '');
    }

    private function moved(Series $series, string $text, Zone $wall): Series
    {
        $event = $series->master ?? $series->overrides[0];
        try {
            [$start, $end] = WhenText::read($text, $event->timing->start, $event->timing->end, $wall, $this->organisation->settings()->habits);
            $timing = ($start->equals($event->timing->start) ? $event->timing : $event->timing->startingAt($start))->endingAt($end);
            $moved = $event->with(timing: $timing->repeating($event->recurrenceId === null ? RecurrenceShift::of($event->timing->recurrence, $event->timing->start, $start) : new RecurrenceSet));
        } catch (InvalidTime|InvalidRule $problem) {
            throw ValidationException::withMessages(['when' => $problem->getMessage()]);
        }

        return $series->master === null ? new Series(null, [$moved, ...array_filter($series->overrides, static fn (Event $each): bool => $each !== $event)]) : OccurrenceChanges::all($series, $moved);
    }

    private function title(string $text): string
    {
        return $text === '' ? throw ValidationException::withMessages(['title' => 'Give the event a title.']) : $this->short('title', $text, 500);
    }

    private function short(string $column, string $text, int $most): string
    {
        return mb_strlen($text) > $most ? throw ValidationException::withMessages([$column => "This has at most {$most} characters."]) : $text;
    }

    private function status(string $text): Status
    {
        return Status::tryFrom(mb_strtolower($text)) ?? throw ValidationException::withMessages(['status' => "“{$text}” is no state: an event is confirmed, provisional or cancelled."]);
    }

    /** @return list<string> */
    private function categories(string $text): array
    {
        $names = array_values(array_unique(array_filter(array_map(trim(...), explode(',', $text)), static fn (string $name): bool => $name !== '')));
        if (count($names) > 20) {
            throw ValidationException::withMessages(['categories' => 'An event has at most 20 categories.']);
        }

        return array_map(fn (string $name): string => $this->short('categories', $name, 80), $names);
    }

    /** @return list<Participant> */
    private function people(string $text): array
    {
        $people = [];
        foreach (array_filter(array_map(trim(...), explode(',', $text)), static fn (string $name): bool => $name !== '') as $name) {
            $found = Person::query()->where('status', 'active')->where('name', $name)->limit(2)->get();
            if ($found->isEmpty()) {
                $found = Person::searched($name)->where('status', 'active')->limit(2)->get();
            }
            $people[] = $found->count() === 1
                ? Participant::ofPerson($found[0]->id, $found[0]->email, $found[0]->name, ParticipantRole::Responsible)
                : throw ValidationException::withMessages(['responsible' => $found->isEmpty() ? "Nobody is called “{$name}”." : "Several people are called “{$name}”: give the whole name."]);
        }

        return $people;
    }
}
