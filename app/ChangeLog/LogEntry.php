<?php

namespace App\ChangeLog;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Directory\SubjectNames;
use Illuminate\Support\Collection;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;
use Spatie\Activitylog\Models\Activity;

/** Entries of the change log, told in words. */
final class LogEntry
{
    private const SETTINGS = [
        'name' => 'name', 'description' => 'what it is for', 'colour' => 'colour', 'mark' => 'mark', 'timezone' => 'time zone', 'first_day' => 'first day of the week',
        'opening_view' => 'opening view', 'free_categories' => 'added categories', 'offered' => 'on everyone’s list', 'suggested_pace' => 'suggested following',
    ];

    private const DECIDED = [
        'name' => 'its name', 'timezone' => 'its time zone', 'firstMonth' => 'the month in which its year begins',
        'administratorsNeedSecondFactor' => 'administrators need a second factor', 'plainHttp' => 'webcal addresses without encryption', 'dayFirst' => 'the day before the month in dates',
        'morning' => 'the morning begins', 'afternoon' => 'the afternoon begins', 'evening' => 'the evening begins', 'mayAskFor' => 'people may ask for',
        'schoolYear' => 'the terms', 'closures' => 'the calendar of closed days', 'frameSites' => 'sites on which people may sign in within a frame', 'meetings' => 'how links of meetings are made',
    ];

    private const SOURCE = [
        'address' => 'its address', 'minutes' => 'minutes between refreshes', 'signIn' => 'how one signs in there', 'follow' => 'the pages that it leads to', 'order' => 'what comes first in its dates',
        'conditions' => 'what of it is taken', 'busy' => 'its events are busy', 'categories' => 'categories that all of them are given', 'renamed' => 'what its categories are called here',
    ];

    /** Events that can be taken back from the log. */
    public const REVERTABLE = ['access', 'settings', 'keeper', 'archived', 'brought back', 'member', 'group', 'organisation'];

    /**
     * @param  Collection<int, Activity>  $entries
     * @return list<LogEntryData>
     */
    public static function many(Collection $entries): array
    {
        $names = new SubjectNames($entries->flatMap(fn (Activity $entry): array => self::subjects($entry)));
        $people = Person::query()->whereKey($entries->pluck('causer_id')->unique())->pluck('name', 'id');

        return $entries->map(fn (Activity $entry): LogEntryData => new LogEntryData(
            id: $entry->id,
            at: (string) $entry->created_at?->toIso8601ZuluString(),
            by: $people[$entry->causer_id] ?? 'Somebody who has left',
            words: self::words($entry, $names),
            revertable: in_array($entry->event, self::REVERTABLE, true) && $entry->log_name !== 'overlay',
        ))->values()->all();
    }

    /** @param  array{kind: string, id: ?int}  $told */
    public static function subject(array $told): Subject
    {
        return new Subject(SubjectKind::from($told['kind']), $told['id'] === null ? null : (int) $told['id']);
    }

    /** @return list<Subject> */
    private static function subjects(Activity $entry): array
    {
        $told = $entry->properties;

        return match ($entry->event) {
            'access' => [self::subject($told['subject'])],
            'keeper' => [self::subject($told['before']), self::subject($told['after'])],
            default => [],
        };
    }

    private static function words(Activity $entry, SubjectNames $names): string
    {
        $told = $entry->properties;

        return match ($entry->event) {
            'access' => $names->of(self::subject($told['subject'])).': from '.Level::from($told['before'])->label().' to '.Level::from($told['after'])->label().($told['why'] === '' ? '' : " ({$told['why']})"),
            'keeper' => 'kept by '.$names->of(self::subject($told['after'])).', before by '.$names->of(self::subject($told['before'])),
            'settings' => implode('; ', array_map(static fn (string $name): string => self::SETTINGS[$name].': from '.self::value($told['before'][$name]).' to '.self::value($told['after'][$name]), array_keys($told['after']))),
            'member' => $told['name'].($told['within'] ? ' put into ' : ' taken out of ').$told['group'],
            'group' => match (true) {
                $told['before'] === null => "group “{$told['after']}” made",
                $told['after'] === null => "group “{$told['before']}” deleted",
                default => "group “{$told['before']}” renamed to “{$told['after']}”",
            },
            'organisation' => implode('; ', array_map(static fn (string $name): string => self::DECIDED[$name].': from '.self::decided($name, $told['before'][$name]).' to '.self::decided($name, $told['after'][$name]), array_keys($told['after']))),
            'signed in' => "signed in from {$told['from']}, {$told['agent']}",
            'failed to sign in' => "failed to sign in from {$told['from']}, {$told['agent']}",
            'looked as' => "looked at the rota as {$told['as']}",
            'link' => "{$told['name']}: a link to set a password was made",
            'feed' => "feed link “{$told['name']}” ".($told['made'] ? 'made' : 'revoked'),
            'source pin' => "all of “{$told['name']}” ".($told['made'] ? 'pinned here' : 'taken off again'),
            'source' => implode('; ', array_map(static fn (string $name): string => self::SOURCE[$name].self::fromTo($told['before'][$name], $told['after'][$name]), array_keys($told['after']))),
            'publication' => "page “{$told['name']}” {$told['done']}",
            'person' => $told['name'].': '.implode('; ', array_map(static fn (string $name): string => str_replace('_', ' ', $name).' from '.self::value($told['before'][$name] ?? null).' to '.self::value($told['after'][$name]), array_keys($told['after']))),
            default => 'the calendar was '.$entry->event,
        };
    }

    private static function fromTo(mixed $before, mixed $after): string
    {
        // What is told alike is another all the same: it is not told in full.
        return self::value($before) === self::value($after) ? ' is another' : ': from '.self::value($before).' to '.self::value($after);
    }

    private static function decided(string $name, mixed $value): string
    {
        return match ($name) {
            'morning', 'afternoon', 'evening' => sprintf('%d:%02d', intdiv((int) $value, 60), (int) $value % 60),
            'mayAskFor' => Level::from($value)->label(),
            'schoolYear' => self::terms($value),
            'frameSites' => self::value(implode(', ', $value ?? [])),
            'closures' => self::value($value === null ? null : Calendar::withTrashed()->whereKey($value)->value('name')),
            default => self::value($value),
        };
    }

    /** @param  ?array<string, mixed>  $value  as SchoolYear::toArray() tells it */
    private static function terms(?array $value): string
    {
        return $value === null || $value['terms'] === [] ? 'none' : implode(', ', array_map(static fn (array $term): string => "{$term['name']} {$term['from']} to {$term['to']}", $value['terms']));
    }

    private static function value(mixed $value): string
    {
        return match (true) {
            $value === null || $value === '' => 'none',
            is_bool($value) => $value ? 'yes' : 'no',
            is_array($value) => 'another',
            default => '“'.mb_strimwidth((string) $value, 0, 80, '…').'”',
        };
    }
}
