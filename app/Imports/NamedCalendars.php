<?php

namespace App\Imports;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Calendars\Calendar;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\OneLine\Names;

/** The calendars that a column of a table may name: those into which the viewer may bring something. */
final class NamedCalendars
{
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
        $near = (new Names(array_map(static fn (Calendar $each): string => $each->name, array_values($this->all()))))->near($name);
        $meant = $near === null ? '' : " Is “{$near}” meant?";

        return "“{$name}” is no calendar that you may change: it goes on {$instead->name}.{$meant}";
    }

    /** @return array<string, Calendar> */
    private function all(): array
    {
        return $this->byName ??= $this->viewer->calendars()
            ->filter(static fn (AccessibleCalendar $each): bool => $each->eventLevel()->includes(Level::Change) && ! $each->calendar->isSubscribed() && ! $each->calendar->isArchived())
            ->mapWithKeys(static fn (AccessibleCalendar $each): array => [mb_strtolower($each->calendar->name) => $each->calendar])->all();
    }
}
