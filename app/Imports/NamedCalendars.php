<?php

namespace App\Imports;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Calendars\Calendar;
use PinnedRota\Core\Access\Level;

/** The calendars that a column of a table may name: those into which the viewer may bring something. */
final class NamedCalendars
{
    /** So much alike are names of which one may be meant, in percent. */
    private const NEAR = 70;

    /** @var ?array<string, Calendar> by name in lower case */
    private ?array $byName = null;

    public function __construct(private readonly CurrentViewer $viewer)
    {
    }

    public function named(string $name): ?Calendar
    {
        return $this->all()[mb_strtolower(trim($name))] ?? null;
    }

    public function withSlug(string $slug): ?Calendar
    {
        foreach ($this->all() as $calendar) {
            if ($calendar->slug === $slug) {
                return $calendar;
            }
        }

        return null;
    }

    /** What is to be said of a name that is none of them. */
    public function doubt(string $name, Calendar $instead): string
    {
        $best = [self::NEAR, null];
        foreach ($this->all() as $each => $calendar) {
            similar_text(mb_strtolower(trim($name)), (string) $each, $percent);
            $best = $percent > $best[0] ? [$percent, $calendar] : $best;
        }
        $near = $best[1] === null ? '' : " Is “{$best[1]->name}” meant?";

        return "“{$name}” is no calendar that you may change: it goes on {$instead->name}.{$near}";
    }

    /** @return array<string, Calendar> */
    private function all(): array
    {
        return $this->byName ??= $this->viewer->calendars()
            ->filter(static fn (AccessibleCalendar $each): bool => $each->eventLevel()->includes(Level::Change) && ! $each->calendar->isSubscribed() && ! $each->calendar->isArchived())
            ->mapWithKeys(static fn (AccessibleCalendar $each): array => [mb_strtolower($each->calendar->name) => $each->calendar])->all();
    }
}
