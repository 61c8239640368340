<?php

namespace App\Events;

use App\Access\Perspective;
use App\Attachments\AttachmentData;
use App\Directory\Person;
use App\Events\Read\SeenSeries;
use App\Imports\ImportLines;
use App\Participants\AskedAs;
use App\Participants\EventParticipantData;
use App\Participants\OrganiserData;
use App\Pins\EventPins;
use App\Preparation\TaskData;
use App\Recurrence\ChangedTimeData;
use App\Recurrence\RepeatData;
use App\Recurrence\RepeatPickData;
use App\Recurrence\ScopeWordsData;
use App\Reminders\OwnReminder;
use PinnedRota\Core\Access\Redaction;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\AskWhen;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventLink;
use PinnedRota\Core\Events\GuestRight;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\Places;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Reminders;
use PinnedRota\Core\Events\TravelTime;
use PinnedRota\Core\Recurrence\ExceptionWords;
use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Recurrence\RecurrenceWords;
use PinnedRota\Core\Recurrence\SeriesDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;

/** Tells one viewer of an event, or of one occurrence of it. */
final class EventPresenter
{
    public function __construct(private readonly SeenSeries $seen, private readonly EventTranslator $translator, private readonly ImportLines $lines)
    {
    }

    /**
     * @param  EventRecord  $head  with EventRecord::WHOLE
     * @return ?EventData null where the viewer sees nothing of it
     */
    public function tell(EventRecord $head, Event $event, ?Occurrence $occurrence, Perspective $perspective): ?EventData
    {
        $row = $this->translator->rowOf($head, $event);
        $ways = $this->seen->ways($head, $perspective);
        $visibility = $this->seen->visibility($head, $event, $perspective);
        $seen = Redaction::event($event, $visibility);
        if ($seen === null) {
            return null;
        }
        $full = $visibility === Visibility::Full;
        // What hangs on the series is had by what is seen of it as such, not by a time of it that is open.
        $whole = $full && $this->seen->asSuch($head, $perspective) === Visibility::Full;
        $people = $full ? Person::query()->whereKey(array_filter([$head->created_by, $row->updated_by]))->pluck('name', 'id') : collect();
        $calendar = $ways[array_key_first($ways)];
        $start = $occurrence->start ?? $event->timing->start;
        $end = $occurrence === null ? $seen->timing->end : $start->at($occurrence->localEnd());
        $mayChange = $full && $this->seen->mayChange($head, $perspective);
        $travel = $full ? TravelTime::of($event) : null;
        $home = $full ? $head->loadMissing('calendar')->calendar : null;

        $pins = $whole ? EventPins::of($head, $ways, $perspective, $mayChange) : EventPins::none();
        $contents = $seen->contents;
        $time = $occurrence?->recurrenceId === null ? null : RecurrenceId::text($occurrence->recurrenceId);

        return new EventData(
            ...$contents->texts(),
            id: $head->id,
            occurrence: $time,
            calendar: $calendar->calendar->slug,
            busyOnly: ! $full,
            allDay: $seen->timing->isAllDay(),
            start: ($occurrence->start ?? $seen->timing->start)->wall(),
            end: $end->wall(),
            timezone: $seen->timing->start->zone?->name,
            endTimezone: $seen->timing->endZone?->name,
            endThere: $seen->timing->endZone === null ? null : $seen->timing->toldEnd($end)->wall(),
            startsAt: self::instant($start),
            endsAt: self::instant($end),
            links: array_map(EventLinkData::of(...), EventLink::of($seen->foreign)),
            status: $contents->status,
            busy: $contents->busy,
            private: $full && $contents->private,
            categories: $contents->categories,
            participants: $full ? EventParticipantData::ofEvent($head, $this->seen->askedOf($head, $event, $perspective), $mayChange) : [],
            answer: $full ? $this->answer($event, $perspective) : null,
            ownReminders: $full ? OwnReminder::of($perspective->viewer->personId, $head->id) : [],
            organiser: $full ? OrganiserData::of($head, $event) : null,
            places: $full ? Places::of($event) : null,
            placesTaken: $full ? Places::taken($event) : 0,
            waitsAt: $full && $perspective->viewer->personId !== null ? Places::position($event, Participant::standingFor(Party::person($perspective->viewer->personId))) : null,
            travel: $travel,
            leave: $travel === null ? null : $start->plusExactSeconds(-60 * $travel)->wall(),
            guests: $full ? GuestRight::of($event) : [],
            askWhen: $full ? AskWhen::of($event) : null,
            asks: $full && AskWhen::asks($event, $head->calendarAsks()),
            mayBring: $whole && ! $mayChange && $this->seen->mayAsGuest(GuestRight::Bring, $head, $perspective),
            seesAsked: $full && $this->seen->seesAsked($head, $event, $perspective),
            remarks: $whole && $home?->remarks === true ? ! $perspective->readOnly && $perspective->viewer->personId !== null : null,
            repeat: $whole ? $this->repeat($head, (string) $time) : null,
            priority: $contents->priority,
            colour: $contents->colour,
            reminders: $full ? array_values(array_filter(array_map(Reminders::minutes(...), $event->reminders), is_int(...))) : [],
            attachments: $whole ? AttachmentData::ofEvent($head) : [],
            tasks: $whole ? TaskData::ofEvent($head, (string) $time, $start->local) : [],
            joinable: $whole && $head->joinable,
            copyOf: $whole ? $this->original($head, $perspective) : null,
            origin: $whole && $mayChange ? $this->lines->originOf($head) : null,
            pins: $pins->pins,
            // Its own calendar is not open to the viewer.
            pinned: $full && ! isset($ways[$head->calendar_id]),
            joined: $pins->joined,
            joiners: $pins->joiners,
            joinerNames: $pins->joinerNames,
            addedBy: $full ? ($people[$head->created_by] ?? null) : null,
            addedAt: $full ? $head->created_at->toIso8601ZuluString() : null,
            changedBy: $full ? ($people[$row->updated_by] ?? null) : null,
            changedAt: $full ? $row->updated_at->toIso8601ZuluString() : null,
            mayChange: $mayChange,
            mayDelete: $full && $this->seen->mayChangeByCalendar($head, $perspective),
            version: $head->version,
        );
    }

    /** What the viewer has answered, where they are asked: themselves, or as one of a group. */
    private function answer(Event $event, Perspective $perspective): ?string
    {
        // Most events ask nobody: of those nothing is read.
        $person = $event->participants === [] || $perspective->viewer->personId === null ? null : Person::query()->find($perspective->viewer->personId);
        $as = $person === null ? null : AskedAs::of($event, $person, $perspective->viewer->groupIds);

        return $as !== null && $as->isWanted() ? strtolower($as->answer->name) : null;
    }

    private function repeat(EventRecord $head, string $time): ?RepeatData
    {
        $master = $this->translator->event($head);
        $set = $master->timing->recurrence;
        if (! $set->repeats()) {
            return null;
        }
        $rule = count($set->rules) === 1 ? $set->rules[0] : null;
        $tell = static fn (EventTime $time): string => SeriesDate::tell($time, $master->timing->start);
        $changed = $head->overrides->sortBy('recurrence_id')->mapWithKeys(fn (EventRecord $row): array => [(string) $row->recurrence_id => $this->translator->timing($row)->start]);
        $exceptions = new ExceptionWords($changed->map(static fn (EventTime $start): LocalDateTime => $start->local)->all(), $time, count($set->skippedDates));

        return new RepeatData(
            words: RecurrenceWords::of($set, $master->timing->start),
            // A rule that is none of ours to put together again, where there are several.
            rule: $rule === null ? null : (string) $rule->endingBy(null, null),
            several: count($set->rules) > 1,
            until: ($rule?->until === null || $master->timing->start->zone === null ? $rule?->until : $rule->until->inZone($master->timing->start->zone))?->local->toDate(),
            count: $rule?->count,
            within: $set->within?->weeks,
            skipped: array_map($tell, $set->skippedDates),
            extra: array_map(static fn (ExtraDate $date): string => $tell($date->start), $set->extraDates),
            changed: $changed->map(static fn (EventTime $start, string $time): ChangedTimeData => new ChangedTimeData($time, $start->wall()))->values()->all(),
            pick: $rule === null ? null : RepeatPickData::of($rule, $master->timing->start->local),
            changing: ScopeWordsData::of($exceptions->changing()),
            deleting: ScopeWordsData::of($exceptions->deleting()),
        );
    }

    /** What it is a copy of, where the viewer sees that. */
    private function original(EventRecord $head, Perspective $perspective): ?OriginalData
    {
        $original = $head->copied_from === null ? null : EventRecord::query()->whereNull('series_id')->find($head->copied_from);
        $series = $original === null ? null : $this->seen->load($original);

        return $series === null || $this->seen->visibility($original, $series->events()[0], $perspective) !== Visibility::Full ? null : new OriginalData($original->id, $original->title);
    }

    /** @return ?string in UTC; null where it is none: of dates and floating times */
    private static function instant(EventTime $time): ?string
    {
        return $time->zone === null ? null : (new LocalDateTime($time->indexSeconds()))->toDateTime().'Z';
    }
}
