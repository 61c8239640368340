<?php

namespace App\History;

use App\Calendars\Calendar;
use App\Events\EventTranslator;
use App\Events\Write\SeriesState;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Reminders;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Recurrence\RecurrenceWords;
use PinnedRota\Core\Time\EventTime;

/** A series as it was, field by field in words, for people to compare. */
final class SeriesFields
{
    /** As they are called on the screen. */
    private const PARTS = ['Responsible' => 'responsible', 'Required' => 'required', 'Optional' => 'optional', 'Informed' => 'told of it'];

    /** @var array<int, string> names, by id */
    private array $calendars = [];

    public function __construct(private readonly EventTranslator $translator)
    {
    }

    /** @return array<string, array<string, string>> fields by name, of the series under the empty key and of each changed time under its own */
    public function of(?SeriesState $state): array
    {
        $told = [];
        foreach ($state->rows ?? [] as $raw) {
            $row = RecordOfState::row($state, $raw);
            $told[(string) ($raw['series_id'] === null ? '' : $raw['recurrence_id'])] = $this->fields($row->calendar_id, $row->deleted_at !== null, $this->translator->event($row)) + $this->hanging($state, $raw);
        }

        return $told;
    }

    /** @return array<string, array<string, string>> the same of a series that is not written down */
    public function ofSeries(int $calendarId, Series $series): array
    {
        $told = [];
        foreach ($series->events() as $event) {
            $told[$event === $series->master || $event->recurrenceId === null ? '' : RecurrenceId::text($event->recurrenceId)] = $this->fields($calendarId, false, $event);
        }

        return $told;
    }

    /**
     * What hangs on the series: files and what is to be prepared.
     *
     * @param  array<string, mixed>  $raw
     * @return array<string, string>
     */
    private function hanging(SeriesState $state, array $raw): array
    {
        if ($raw['series_id'] !== null) {
            return [];
        }
        $days = static fn (int $days): string => $days === 0 ? 'on the day' : abs($days).(abs($days) === 1 ? ' day ' : ' days ').($days < 0 ? 'before' : 'after');

        return [
            'files' => implode(', ', array_column($state->attachments, 'name')),
            'to prepare' => implode(', ', array_map(static fn (array $task): string => "{$task['title']} ({$days((int) $task['days'])})", $state->tasks)),
            'joining' => $raw['joinable'] ?? false ? 'open' : '',
        ];
    }

    /**
     * What is different between two states.
     *
     * @param  array<string, array<string, string>>  $before
     * @param  array<string, array<string, string>>  $after
     * @return list<FieldChangeData>
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
                    $found[] = new FieldChangeData($key === '' ? null : substr((string) $key, 0, 10), $field, $was[$field] ?? '', $is[$field] ?? '');
                }
            }
        }

        return $found;
    }

    /** @return array<string, string> */
    private function fields(int $calendarId, bool $deleted, Event $event): array
    {
        $texts = $event->contents->texts();

        return [
            'title' => $texts['title'],
            'calendar' => $this->calendars[$calendarId] ??= Calendar::withTrashed()->find($calendarId)->name ?? '',
            'starts' => self::time($event->timing->start),
            'ends' => self::time($event->timing->end),
            'zone' => $event->timing->start->zone->name ?? '',
            ...array_diff_key($texts, ['title' => true]),
            'categories' => implode(', ', $event->contents->categories),
            'state' => $event->contents->status->value,
            'repeats' => RecurrenceWords::of($event->timing->recurrence, $event->timing->start),
            'people' => implode(', ', array_map(static fn (Participant $each): string => ($each->name === '' ? $each->mailAddress() : $each->name).' ('.self::PARTS[$each->role->name].')', $event->participants)),
            'time' => $event->contents->busy ? 'busy' : 'free',
            'seen by' => $event->contents->private ? 'those who may change it' : '',
            'priority' => $event->contents->priority === 0 ? '' : (string) $event->contents->priority,
            'colour' => $event->contents->colour->value ?? '',
            'reminders' => implode(', ', array_map(static fn (int $minutes): string => "{$minutes} minutes before", array_filter(array_map(Reminders::minutes(...), $event->reminders), is_int(...)))),
            'there' => $deleted ? 'deleted' : 'yes',
        ];
    }

    private static function time(EventTime $time): string
    {
        return $time->kind->value === 'date' ? $time->local->toDate() : str_replace('T', ' ', $time->local->toMinute());
    }
}
