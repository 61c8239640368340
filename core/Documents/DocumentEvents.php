<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/**
 * Makes events of what a document says. Each goes by a UID of its title and the how-manieth of that title it is, so that the same document brought
 * again, with another date in it, changes what came in before instead of doubling it.
 */
final class DocumentEvents
{
    private const STATES = ['provisional' => Status::Provisional, 'tbc' => Status::Provisional, 'to be confirmed' => Status::Provisional, 'tentative' => Status::Provisional, 'cancelled' => Status::Cancelled, 'canceled' => Status::Cancelled, 'called off' => Status::Cancelled];

    /**
     * @param  array<int, ExtractedEvent>  $found  in the order of the document
     * @param  ?callable(ExtractedEvent): list<Participant>  $people  who takes part in each; null: nobody
     * @param  ?array<int, string>  $uids  by the same keys; null: by what tells the rows apart, else by their titles
     * @return array<int, Event> by the same keys
     */
    public static function of(array $found, Zone $zone, ?callable $people = null, ?array $uids = null): array
    {
        $uids ??= array_map(self::uid(...), self::keys($found) + self::titles($found));
        $events = [];
        foreach ($found as $row => $each) {
            $events[$row] = self::event($each, $uids[$row], $zone, $people === null ? [] : $people($each));
        }

        return $events;
    }

    /** The UID of what goes by a name (see titles() and keys()). */
    public static function uid(string $name): string
    {
        return "{$name}@document.invalid";
    }

    /**
     * A name for each row: its title and the how-manieth of that title it is.
     *
     * @param  array<int, ExtractedEvent>  $found  in the order of the document
     * @return array<int, string> by the same keys
     */
    public static function titles(array $found): array
    {
        return self::numbered('document', array_map(static fn (ExtractedEvent $each): string => mb_strtolower($each->title), $found));
    }

    /**
     * A name for each row of which it is chosen what tells it apart: by that, whatever else it says.
     *
     * @param  array<int, ExtractedEvent>  $found
     * @return array<int, string> by the same keys
     */
    public static function keys(array $found): array
    {
        $keys = array_map(static fn (ExtractedEvent $each): string => $each->key, $found);

        return self::numbered('document key', array_filter($keys, static fn (string $key): bool => $key !== ''));
    }

    /**
     * @param  array<int, string>  $said
     * @return array<int, string>
     */
    private static function numbered(string $kind, array $said): array
    {
        $seen = [];

        return array_map(static function (string $each) use ($kind, &$seen): string {
            $seen[$each] = ($seen[$each] ?? 0) + 1;

            return hash('sha256', "{$kind}|{$each}|{$seen[$each]}");
        }, $said);
    }

    /** @return list<string> the categories that a row says */
    public static function categories(ExtractedEvent $found): array
    {
        $said = array_filter(array_map(trim(...), explode(';', $found->fields[ColumnRole::Category->value] ?? '')), static fn (string $each): bool => $each !== '');

        return array_map(static fn (string $each): string => mb_substr($each, 0, 80), array_slice(array_values($said), 0, 20));
    }

    /** What is no address of the web is none that somebody should follow. */
    private static function link(string $said): string
    {
        return preg_match('#^https?://\S+$#i', $said) === 1 && strlen($said) <= 1000 ? $said : '';
    }

    /** @param  list<Participant>  $participants */
    private static function event(ExtractedEvent $found, string $uid, Zone $zone, array $participants): Event
    {
        $at = static fn (LocalDateTime $local): EventTime => $found->allDay ? EventTime::date($local) : EventTime::zoned($local, $zone);

        return new Event($uid, EventTiming::between($at($found->start), $at($found->end)), new EventContents(
            mb_substr($found->title, 0, 500), mb_substr($found->place, 0, 500), $found->fields[ColumnRole::Description->value] ?? '', self::link($found->fields[ColumnRole::Link->value] ?? ''),
            status: self::STATES[mb_strtolower($found->fields[ColumnRole::Status->value] ?? '')] ?? Status::Confirmed,
            categories: self::categories($found),
        ), participants: $participants);
    }
}
