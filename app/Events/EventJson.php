<?php

namespace App\Events;

use App\Access\AccessibleCalendar;
use App\Access\Sight;
use App\Directory\Person;
use PinnedRota\Core\Access\Blanking;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\Event as CoreEvent;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Participants;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Recurrence\RuleWords;
use PinnedRota\Core\Recurrence\WeekdayRule;
use PinnedRota\Core\Recurrence\WeeklyRepeat;
use PinnedRota\Core\Time\EventTime;

/** An event, or one occurrence of it, as the API tells it to one viewer. */
final class EventJson
{
    /** @return ?array<string, mixed> null where the viewer sees nothing of it */
    public static function tell(Event $head, Event $row, CoreEvent $event, ?Occurrence $occurrence, AccessibleCalendar $calendar, Sight $sight): ?array
    {
        $isInvolved = $row->created_by === $sight->personId || $event->hasParticipant($sight->address);
        $visibility = Visibility::of($calendar->eventLevel(), $event->private, $event->busy, $isInvolved);
        $seen = Blanking::apply($event, $visibility);
        if ($seen === null) {
            return null;
        }
        $full = $visibility === Visibility::Full;
        $people = $full ? Person::query()->whereKey(array_filter([$head->created_by, $row->updated_by]))->pluck('name', 'id') : collect();

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
            'repeat' => $full ? self::repeat($head) : null,
            'addedBy' => $full ? ($people[$head->created_by] ?? null) : null,
            'addedAt' => $full ? $head->created_at->toIso8601ZuluString() : null,
            'changedBy' => $full ? ($people[$row->updated_by] ?? null) : null,
            'changedAt' => $full ? $row->updated_at->toIso8601ZuluString() : null,
            'mayChange' => $full && ! $sight->readOnly && EventRights::mayChange($calendar->eventLevel(), $head->created_by === $sight->personId),
            'version' => $head->version,
        ];
    }

    /** @return ?array<string, mixed> */
    private static function repeat(Event $head): ?array
    {
        $master = (new EventTranslator)->event($head);
        $rule = $master->recurrence->rules[0] ?? null;
        if ($rule === null) {
            return $master->recurrence->repeats() ? ['words' => 'on '.(count($master->recurrence->extraDates) + 1).' dates', 'rule' => null, 'until' => null, 'count' => null, 'weekly' => null] : null;
        }
        $weekly = count($master->recurrence->rules) === 1 ? WeeklyRepeat::fromRule($rule, $master->start) : null;

        return [
            'words' => RuleWords::of($rule, $master->start),
            'rule' => count($master->recurrence->rules) === 1 ? (string) $rule->endingBy(null, null) : null,
            'until' => ($rule->until === null || $master->start->zone === null ? $rule->until : $rule->until->inZone($master->start->zone))?->local->toDate(),
            'count' => $rule->count,
            'weekly' => $weekly === null ? null : [
                'interval' => $weekly->interval,
                'weekdays' => array_map(static fn (int $day): string => WeekdayRule::NAMES[$day], $weekly->weekdays),
                'until' => $weekly->until?->toDate(),
                'count' => $weekly->count,
            ],
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function participants(CoreEvent $event): array
    {
        $people = Person::atAddresses(array_map(static fn (Participant $each): string => $each->mailAddress(), $event->participants));

        return array_map(static fn (Participant $each): array => [
            'id' => Participants::groupId($each) ?? $people[$each->mailAddress()]->id ?? null,
            'name' => $people[$each->mailAddress()]->name ?? ($each->name !== '' ? $each->name : ($each->mailAddress() !== '' ? $each->mailAddress() : $each->address)),
            'kind' => Participants::groupId($each) !== null ? 'group' : (isset($people[$each->mailAddress()]) ? 'person' : 'other'),
            'part' => strtolower($each->role->name),
            'answer' => strtolower($each->answer->name),
        ], $event->participants);
    }

    private static function time(EventTime $time): string
    {
        return $time->kind->value === 'date' ? $time->local->toDate() : $time->local->toMinute();
    }
}
