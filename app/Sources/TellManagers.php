<?php

namespace App\Sources;

use App\Access\Audience;
use App\Directory\Person;
use App\Following\Follow;
use App\Following\FollowedKind;
use App\Following\NoticesPut;
use PinnedRota\Core\Notices\Pace;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\WhenWords;
use PinnedRota\Core\Time\Zone;

/** Tells those who manage a calendar how the source behind it fares. What it is now waits for them anyway (SourcesWaiting). */
final class TellManagers
{
    /** A far side that fails once is back most times before anybody could do something: written of is the third time in a row. */
    private const TOLD_AFTER = 3;

    public function __construct(private readonly Audience $audience, private readonly NoticesPut $notices)
    {
    }

    /** Whether it was told that it fails. */
    public static function hasTold(Source $source): bool
    {
        return $source->failures >= self::TOLD_AFTER;
    }

    public function fails(Source $source): void
    {
        if ($source->failures === self::TOLD_AFTER) {
            $this->tell($source, fn (Zone $zone): string => "{$source->calendar->name} could not be fetched since ".self::day($source, $zone).". {$source->error} What was fetched before stays", inInbox: false);
        }
    }

    public function works(Source $source): void
    {
        $this->tell($source, static fn (): string => "{$source->calendar->name} is fetched again", inInbox: true);
    }

    /** @param  array{added: int, changed: int, unchanged: int, removed: int}  $counts */
    public function isHeld(Source $source, array $counts): void
    {
        $all = $counts['removed'] + $counts['changed'] + $counts['unchanged'];
        $this->tell($source, static fn (): string => "{$source->calendar->name}: the far side has {$counts['removed']} of its {$all} events no more. Nothing was taken away; say whether it is meant", inInbox: false);
    }

    /** @param  callable(Zone): string  $words */
    private function tell(Source $source, callable $words, bool $inInbox): void
    {
        $rows = $written = [];
        $people = Person::query()->whereIntegerInRaw('id', $this->audience->withManagers($source->calendar))->where('status', 'active')->get();
        $follows = Follow::query()->where('kind', FollowedKind::Mine)->whereIntegerInRaw('person_id', $people->modelKeys())->get()->keyBy('person_id');
        foreach ($people as $person) {
            $follow = $follows[$person->id] ?? Follow::mine($person->id);
            $byMail = $follow->pace === Pace::Now && $follow->by_mail;
            $rows[] = ['person_id' => $person->id, 'lines' => [[
                'words' => $words(Zone::of($person->timezone)), 'change' => '', 'calendar' => $source->calendar_id, 'series' => [], 'times' => [], 'on' => null, 'names' => false, 'inbox' => $inInbox, 'mail' => $byMail, 'was' => null,
            ]]];
            if ($byMail) {
                $written[$person->id] = mb_strtolower($person->email);
            }
        }
        if ($rows !== []) {
            $this->notices->put($rows, $written, null, now());
        }
    }

    private static function day(Source $source, Zone $zone): string
    {
        return WhenWords::day((new LocalDateTime($zone->toLocal($source->failing_since?->getTimestamp() ?? now()->getTimestamp())))->day());
    }
}
