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
     * @return array<int, Event> by the same keys
     */
    public static function of(array $found, Zone $zone, ?callable $people = null): array
    {
        $seen = $events = [];
        foreach ($found as $key => $each) {
            $title = mb_strtolower($each->title);
            $seen[$title] = ($seen[$title] ?? 0) + 1;
            $events[$key] = self::event($each, hash('sha256', "document|{$title}|{$seen[$title]}").'@document.invalid', $zone, $people === null ? [] : $people($each));
        }

        return $events;
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
