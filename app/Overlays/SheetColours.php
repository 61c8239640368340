<?php

namespace App\Overlays;

use App\Access\AccessibleCalendar;
use App\Access\Perspective;
use App\Calendars\Category;
use App\Directory\Person;
use App\Events\Read\SeenOccurrence;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\ColouredBy;
use PinnedRota\Core\Overlay\EventColours;

/** Gives the events of a sheet their colours, and tells what these stand for. */
final class SheetColours
{
    /** @var array<string, string> categories as the first event has them written, by name in lower case */
    private array $written = [];

    private function __construct(private readonly ColouredBy $by, private readonly EventColours $colours, private readonly Perspective $perspective)
    {
    }

    /** @param  list<int>  $calendarIds  those in view */
    public static function of(ColouredBy $by, Perspective $perspective, array $calendarIds): self
    {
        $categories = [];
        if ($by === ColouredBy::Category) {
            // The organisation's come last, so that their colour holds where a calendar has one of the same name.
            foreach (Category::query()->whereNotNull('colour')->where(static fn ($of) => $of->whereNull('calendar_id')->orWhereIntegerInRaw('calendar_id', $calendarIds))->orderByDesc('calendar_id')->get() as $category) {
                $categories[mb_strtolower($category->name)] = $category->colour ?? Colour::Slate;
            }
        }
        $calendars = $by === ColouredBy::Calendar ? $perspective->calendars->map(static fn (AccessibleCalendar $each): Colour => $each->colour())->all() : [];

        return new self($by, new EventColours($by, $categories, $calendars), $perspective);
    }

    /** Its own where the sheet asks for no other. */
    public function for(SeenOccurrence $seen): ?Colour
    {
        foreach ($this->by === ColouredBy::Category ? $seen->categories : [] as $name) {
            $this->written[mb_strtolower($name)] ??= $name;
        }

        return $this->colours->of($seen->facts) ?? $seen->occurrence->colour;
    }

    /** @return list<SheetColourData> what the colours on the sheet stand for, by name */
    public function told(): array
    {
        $given = $this->colours->given();
        $people = $this->by === ColouredBy::Person ? Person::query()->whereKey(array_keys($given))->pluck('name', 'id') : collect();
        $told = [];
        foreach ($given as $key => $colour) {
            $told[] = new SheetColourData((string) match ($this->by) {
                ColouredBy::Person => $people[$key] ?? '',
                ColouredBy::Calendar => ($this->perspective->calendars[$key] ?? null)?->calendar->name,
                default => $this->written[$key] ?? $key,
            }, $colour);
        }
        usort($told, static fn (SheetColourData $a, SheetColourData $b): int => strnatcasecmp($a->name, $b->name));

        return $told;
    }
}
