<?php

namespace App\History;

use App\Calendars\Calendar;
use App\Calendars\Category;
use App\Events\Event;
use App\Events\EventTranslator;
use Illuminate\Database\Eloquent\Collection;
use PinnedRota\Core\Events\Event as CoreEvent;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Recurrence\RuleWords;
use PinnedRota\Core\Time\EventTime;

/** A series as it was, field by field in words, for people to compare. */
final class SeriesFields
{
    /** @var array<int, string> names, by id */
    private array $calendars = [];

    public function __construct(private readonly EventTranslator $translator)
    {
    }

    /**
     * @param  ?array{rows: list<array<string, mixed>>, categories: list<array<string, mixed>>}  $snapshot
     * @return array<string, array<string, string>> fields by name, of the series under the empty key and of each changed time under its own
     */
    public function of(?array $snapshot): array
    {
        $told = [];
        foreach ($snapshot['rows'] ?? [] as $raw) {
            $row = (new Event)->newFromBuilder($raw);
            $ids = array_column(array_filter($snapshot['categories'], static fn (array $each): bool => $each['event_id'] === $raw['id']), 'category_id');
            $row->setRelation('categories', $ids === [] ? new Collection : Category::query()->whereKey($ids)->get());
            $told[(string) ($raw['series_id'] === null ? '' : $raw['recurrence_id'])] = $this->fields($row, $this->translator->event($row));
        }

        return $told;
    }

    /**
     * What is different between two states.
     *
     * @param  array<string, array<string, string>>  $before
     * @param  array<string, array<string, string>>  $after
     * @return list<array{of: ?string, field: string, before: string, after: string}>
     */
    public static function differences(array $before, array $after): array
    {
        $found = [];
        foreach (array_keys($before + $after) as $key) {
            $series = $before[''] ?? $after[''] ?? [];
            // A time that was not changed on its own was as the series is.
            $was = $before[$key] ?? ($key === '' ? [] : $series);
            $is = $after[$key] ?? ($key === '' ? [] : ($after[''] ?? []));
            foreach (array_keys($was + $is) as $field) {
                if (($was[$field] ?? '') !== ($is[$field] ?? '')) {
                    $found[] = ['of' => $key === '' ? null : substr((string) $key, 0, 10), 'field' => $field, 'before' => $was[$field] ?? '', 'after' => $is[$field] ?? ''];
                }
            }
        }

        return $found;
    }

    /** @return array<string, string> */
    private function fields(Event $row, CoreEvent $event): array
    {
        $rule = $event->recurrence->rules[0] ?? null;
        $skipped = array_map(static fn (EventTime $time): string => $time->local->toDate(), $event->recurrence->skippedDates);

        return [
            'title' => $event->title,
            'calendar' => $this->calendars[$row->calendar_id] ??= Calendar::withTrashed()->find($row->calendar_id)->name ?? '',
            'starts' => self::time($event->start),
            'ends' => self::time($event->end),
            'zone' => $event->start->zone->name ?? '',
            'place' => $event->place,
            'categories' => implode(', ', $event->categories),
            'state' => $event->status->value,
            'repeats' => $rule === null ? '' : RuleWords::of($rule, $event->start),
            'left out' => implode(', ', $skipped),
            'people' => implode(', ', array_map(static fn (Participant $each): string => ($each->name === '' ? $each->mailAddress() : $each->name).' ('.strtolower($each->role->name).')', $event->participants)),
            'link' => $event->link,
            'about' => $event->description,
            'time' => $event->busy ? 'busy' : 'free',
            'seen by' => $event->private ? 'those who may edit' : '',
            'there' => $row->deleted_at === null ? 'yes' : 'deleted',
        ];
    }

    private static function time(EventTime $time): string
    {
        return $time->kind->value === 'date' ? $time->local->toDate() : str_replace('T', ' ', $time->local->toMinute());
    }
}
