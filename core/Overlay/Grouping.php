<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** By what the rows of lanes are told apart. */
enum Grouping: string
{
    /** The row of events that have nothing to be told apart by. */
    public const NONE = '';

    /** The row of events of which the viewer knows only that the time is taken. */
    public const HIDDEN = '*';

    case Layer = 'layer';
    case Person = 'person';
    case Place = 'place';
    case Calendar = 'calendar';
    case Category = 'category';

    /**
     * The rows in which an event stands: one at least, several where it has several of what they are told apart by.
     * Of what is hidden from the viewer it is not told who is responsible, where it is or what kind it is.
     *
     * @return list<string> names of rows: a number for layer, person and calendar; place and category in lower case
     */
    public function rowsOf(EventFacts $event, int $layer): array
    {
        if ($event->hidden && $this !== self::Layer && $this !== self::Calendar) {
            return [self::HIDDEN];
        }
        $rows = match ($this) {
            self::Layer => [(string) $layer],
            self::Person => array_map(strval(...), $event->responsible),
            self::Place => [mb_strtolower(trim($event->place))],
            self::Calendar => [(string) $event->calendarId],
            self::Category => $event->categories,
        };

        return $rows === [] ? [self::NONE] : array_values(array_unique($rows));
    }
}
