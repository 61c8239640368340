<?php

namespace App\Events;

use App\Access\Sight;
use App\Attachments\AttachmentsJson;
use App\Directory\Person;
use App\Pins\PinsJson;
use App\Preparation\TasksJson;
use PinnedRota\Core\Access\Blanking;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\Event as CoreEvent;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Participants;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Reminders;
use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Recurrence\RecurrenceWords;
use PinnedRota\Core\Recurrence\SeriesDate;
use PinnedRota\Core\Time\EventTime;

/** An event, or one occurrence of it, as the API tells it to one viewer. */
final class EventJson
{
    public function __construct(private readonly SeenEvents $seen, private readonly EventTranslator $translator)
    {
    }

    /**
     * @param  Event  $head  with its categories, overrides and pins
     * @return ?array<string, mixed> null where the viewer sees nothing of it
     */
    public function tell(Event $head, CoreEvent $event, ?Occurrence $occurrence, Sight $sight): ?array
    {
        $row = $this->translator->rowOf($head, $event);
        $ways = $this->seen->ways($head, $sight);
        $visibility = $this->seen->visibility($head, $event, $row->created_by, $sight);
        $seen = Blanking::apply($event, $visibility);
        if ($seen === null) {
            return null;
        }
        $full = $visibility === Visibility::Full;
        $people = $full ? Person::query()->whereKey(array_filter([$head->created_by, $row->updated_by]))->pluck('name', 'id') : collect();
        $calendar = $ways[array_key_first($ways)];
        $start = $occurrence->start ?? $event->start;
        $mayChange = $full && $this->seen->mayChange($head, $sight);

        return [
            'id' => $head->id,
            'occurrence' => $occurrence?->recurrenceId === null ? null : RecurrenceId::text($occurrence->recurrenceId),
            'calendar' => $calendar->calendar->slug,
            'title' => $seen->title,
            'busyOnly' => ! $full,
            'allDay' => $seen->isAllDay(),
            'start' => self::time($occurrence->start ?? $seen->start),
            'end' => self::time($occurrence === null ? $seen->end : $occurrence->start->at($occurrence->localEnd())),
            'timezone' => $seen->start->zone?->name,
            'place' => $seen->place,
            'link' => $seen->link,
            'description' => $seen->description,
            'status' => $seen->status->value,
            'busy' => $seen->busy,
            'private' => $full && $seen->private,
            'categories' => $seen->categories,
            'participants' => $full ? self::participants($event) : [],
            'repeat' => $full ? $this->repeat($head) : null,
            'priority' => $seen->priority,
            'colour' => $seen->colour?->value,
            'reminders' => $full ? array_values(array_filter(array_map(Reminders::minutes(...), $event->reminders), is_int(...))) : [],
            'attachments' => $full ? AttachmentsJson::of($head) : [],
            'tasks' => $full ? TasksJson::tell($head, $occurrence?->recurrenceId === null ? '' : RecurrenceId::text($occurrence->recurrenceId), $start->local) : [],
            'joinable' => $full && $head->joinable,
            'copyOf' => $full ? $this->original($head, $sight) : null,
            ...PinsJson::tell($head, $full, $ways, $sight, $mayChange),
            'addedBy' => $full ? ($people[$head->created_by] ?? null) : null,
            'addedAt' => $full ? $head->created_at->toIso8601ZuluString() : null,
            'changedBy' => $full ? ($people[$row->updated_by] ?? null) : null,
            'changedAt' => $full ? $row->updated_at->toIso8601ZuluString() : null,
            'mayChange' => $mayChange,
            'version' => $head->version,
        ];
    }

    /** @return ?array<string, mixed> */
    private function repeat(Event $head): ?array
    {
        $master = $this->translator->event($head);
        $set = $master->recurrence;
        if (! $set->repeats()) {
            return null;
        }
        $rule = count($set->rules) === 1 ? $set->rules[0] : null;
        $tell = static fn (EventTime $time): string => SeriesDate::tell($time, $master->start);

        return [
            'words' => RecurrenceWords::of($set, $master->start),
            // A rule that is none of ours to put together again, where there are several.
            'rule' => $rule === null ? null : (string) $rule->endingBy(null, null),
            'several' => count($set->rules) > 1,
            'until' => ($rule?->until === null || $master->start->zone === null ? $rule?->until : $rule->until->inZone($master->start->zone))?->local->toDate(),
            'count' => $rule?->count,
            'skipped' => array_map($tell, $set->skippedDates),
            'extra' => array_map(static fn (ExtraDate $date): string => $tell($date->start), $set->extraDates),
            'changed' => $head->overrides->map(fn (Event $row): array => [
                'occurrence' => (string) $row->recurrence_id,
                'start' => self::time($this->translator->event($row)->start),
            ])->sortBy('occurrence')->values()->all(),
        ];
    }

    /** @return ?array{id: int, title: string} what it is a copy of, where the viewer sees that */
    private function original(Event $head, Sight $sight): ?array
    {
        $original = $head->copied_from === null ? null : Event::query()->whereNull('series_id')->find($head->copied_from);
        $series = $original === null ? null : $this->seen->load($original);

        return $series === null || $this->seen->visibility($original, $series->events()[0], $original->created_by, $sight) !== Visibility::Full ? null : ['id' => $original->id, 'title' => $original->title];
    }

    /** @return list<array<string, mixed>> */
    private static function participants(CoreEvent $event): array
    {
        $people = Person::atAddresses(array_map(static fn (Participant $each): string => $each->mailAddress(), $event->participants));

        return array_map(static fn (Participant $each): array => [
            'id' => Participants::groupId($each) ?? Participants::roomId($each) ?? $people[$each->mailAddress()]->id ?? null,
            'name' => $people[$each->mailAddress()]->name ?? ($each->name !== '' ? $each->name : ($each->mailAddress() !== '' ? $each->mailAddress() : $each->address)),
            'kind' => match (true) {
                Participants::groupId($each) !== null => 'group',
                Participants::roomId($each) !== null => 'room',
                default => isset($people[$each->mailAddress()]) ? 'person' : 'other',
            },
            'part' => strtolower($each->role->name),
            'answer' => strtolower($each->answer->name),
        ], $event->participants);
    }

    private static function time(EventTime $time): string
    {
        return $time->kind->value === 'date' ? $time->local->toDate() : $time->local->toMinute();
    }
}
