<?php

namespace App\Imports;

use App\Access\CurrentViewer;
use App\Calendars\Calendar;
use App\Calendars\CategoryNames;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Documents\ColumnRole;
use PinnedRota\Core\Documents\DocumentEvents;
use PinnedRota\Core\Documents\ExtractedEvent;
use PinnedRota\Core\OneLine\Names;

/** The categories that a row says, held against those that its calendar has. */
final class RowCategories
{
    /** @var array<int, Names> by calendar */
    private array $names = [];

    public function __construct(private readonly CurrentViewer $viewer, private readonly CategoryNames $categories)
    {
    }

    /** @return list<string> those that the calendar would have from it */
    public function newOf(ExtractedEvent $found, Calendar $calendar): array
    {
        return $this->categories->unknown($calendar->id, DocumentEvents::categories($found));
    }

    /** The row with what is to be looked at: names that nearly are some, and without those that may not be added. */
    public function held(ExtractedEvent $found, Calendar $calendar): ExtractedEvent
    {
        $said = DocumentEvents::categories($found);
        $new = $said === [] ? [] : $this->categories->unknown($calendar->id, $said);
        if ($new === []) {
            return $found;
        }
        $mayAdd = $calendar->free_categories || $this->viewer->calendars()[$calendar->id]->level() === Level::Manage;
        foreach ($new as $name) {
            $near = $this->names($calendar)->near($name);
            $meant = $near === null ? '' : " Is “{$near}” meant?";
            if (! $mayAdd) {
                $found = $found->doubted("“{$name}” is no category of {$calendar->name}, and those who manage it add them: it is left out.{$meant}");
            } elseif ($near !== null) {
                $found = $found->doubted("“{$name}” is no category here yet.{$meant}");
            }
        }

        return $mayAdd ? $found : $found->saying(ColumnRole::Category, implode('; ', array_diff($said, $new)));
    }

    private function names(Calendar $calendar): Names
    {
        return $this->names[$calendar->id] ??= new Names($this->categories->known($calendar->id));
    }
}
