<?php

namespace App\Events;

use App\Access\Perspective;
use App\Attachments\AttachmentsJson;
use App\Directory\Person;
use App\Events\Read\SeenSeries;
use App\Participants\ParticipantsJson;
use App\Pins\PinsJson;
use App\Preparation\TasksJson;
use PinnedRota\Core\Access\Redaction;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Reminders;
use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Recurrence\RecurrenceWords;
use PinnedRota\Core\Recurrence\SeriesDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;

/** An event, or one occurrence of it, as the API tells it to one viewer. */
final class EventJson
{
    public function __construct(private readonly SeenSeries $seen, private readonly EventTranslator $translator)
    {
    }

    /**
     * @param  EventRecord  $head  with EventRecord::WHOLE
     * @return ?array<string, mixed> null where the viewer sees nothing of it
     */
    public function tell(EventRecord $head, Event $event, ?Occurrence $occurrence, Perspective $perspective): ?array
    {
        $row = $this->translator->rowOf($head, $event);
        $ways = $this->seen->ways($head, $perspective);
        $visibility = $this->seen->visibility($head, $event, $perspective);
        $seen = Redaction::event($event, $visibility);
        if ($seen === null) {
            return null;
        }
        $full = $visibility === Visibility::Full;
        $people = $full ? Person::query()->whereKey(array_filter([$head->created_by, $row->updated_by]))->pluck('name', 'id') : collect();
        $calendar = $ways[array_key_first($ways)];
        $start = $occurrence->start ?? $event->timing->start;
        $mayChange = $full && $this->seen->mayChange($head, $perspective);

        return [
            'id' => $head->id,
            'occurrence' => $occurrence?->recurrenceId === null ? null : RecurrenceId::text($occurrence->recurrenceId),
            'calendar' => $calendar->calendar->slug,
            'title' => $seen->contents->title,
            'busyOnly' => ! $full,
            'allDay' => $seen->timing->isAllDay(),
            'start' => self::time($occurrence->start ?? $seen->timing->start),
            'end' => self::time($occurrence === null ? $seen->timing->end : $occurrence->start->at($occurrence->localEnd())),
            'timezone' => $seen->timing->start->zone?->name,
            'startsAt' => self::instant($start),
            'endsAt' => self::instant($occurrence === null ? $seen->timing->end : $start->at($occurrence->localEnd())),
            'place' => $seen->contents->place,
            'link' => $seen->contents->link,
            'description' => $seen->contents->description,
            'status' => $seen->contents->status->value,
            'busy' => $seen->contents->busy,
            'private' => $full && $seen->contents->private,
            'categories' => $seen->contents->categories,
            'participants' => $full ? ParticipantsJson::tell($event) : [],
            'organiser' => $full ? ParticipantsJson::organiser($head, $event) : null,
            'repeat' => $full ? $this->repeat($head) : null,
            'priority' => $seen->contents->priority,
            'colour' => $seen->contents->colour?->value,
            'reminders' => $full ? array_values(array_filter(array_map(Reminders::minutes(...), $event->reminders), is_int(...))) : [],
            'attachments' => $full ? AttachmentsJson::of($head) : [],
            'tasks' => $full ? TasksJson::tell($head, $occurrence?->recurrenceId === null ? '' : RecurrenceId::text($occurrence->recurrenceId), $start->local) : [],
            'joinable' => $full && $head->joinable,
            'copyOf' => $full ? $this->original($head, $perspective) : null,
            ...PinsJson::tell($head, $full, $ways, $perspective, $mayChange),
            'addedBy' => $full ? ($people[$head->created_by] ?? null) : null,
            'addedAt' => $full ? $head->created_at->toIso8601ZuluString() : null,
            'changedBy' => $full ? ($people[$row->updated_by] ?? null) : null,
            'changedAt' => $full ? $row->updated_at->toIso8601ZuluString() : null,
            'mayChange' => $mayChange,
            'version' => $head->version,
        ];
    }

    /** @return ?array<string, mixed> */
    private function repeat(EventRecord $head): ?array
    {
        $master = $this->translator->event($head);
        $set = $master->timing->recurrence;
        if (! $set->repeats()) {
            return null;
        }
        $rule = count($set->rules) === 1 ? $set->rules[0] : null;
        $tell = static fn (EventTime $time): string => SeriesDate::tell($time, $master->timing->start);

        return [
            'words' => RecurrenceWords::of($set, $master->timing->start),
            // A rule that is none of ours to put together again, where there are several.
            'rule' => $rule === null ? null : (string) $rule->endingBy(null, null),
            'several' => count($set->rules) > 1,
            'until' => ($rule?->until === null || $master->timing->start->zone === null ? $rule?->until : $rule->until->inZone($master->timing->start->zone))?->local->toDate(),
            'count' => $rule?->count,
            'skipped' => array_map($tell, $set->skippedDates),
            'extra' => array_map(static fn (ExtraDate $date): string => $tell($date->start), $set->extraDates),
            'changed' => $head->overrides->map(fn (EventRecord $row): array => [
                'occurrence' => (string) $row->recurrence_id,
                'start' => self::time($this->translator->timing($row)->start),
            ])->sortBy('occurrence')->values()->all(),
        ];
    }

    /** @return ?array{id: int, title: string} what it is a copy of, where the viewer sees that */
    private function original(EventRecord $head, Perspective $perspective): ?array
    {
        $original = $head->copied_from === null ? null : EventRecord::query()->whereNull('series_id')->find($head->copied_from);
        $series = $original === null ? null : $this->seen->load($original);

        return $series === null || $this->seen->visibility($original, $series->events()[0], $perspective) !== Visibility::Full ? null : ['id' => $original->id, 'title' => $original->title];
    }

    /** @return ?string in UTC; null where it is none: of dates and floating times */
    private static function instant(EventTime $time): ?string
    {
        return $time->zone === null ? null : (new LocalDateTime($time->indexSeconds()))->toDateTime().'Z';
    }

    private static function time(EventTime $time): string
    {
        return $time->kind->value === 'date' ? $time->local->toDate() : $time->local->toMinute();
    }
}
