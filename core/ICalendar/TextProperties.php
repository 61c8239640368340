<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Events\EventContents;

/** The properties of type TEXT (RFC 5545, 3.3.11) that the texts of an event stand in. */
final class TextProperties
{
    /** All of them: a file may say more of each (LANGUAGE, ALTREP). */
    public const ALL = ['SUMMARY', 'LOCATION', 'DESCRIPTION', 'CATEGORIES'];

    /** Those of the plain texts but the title, by the name of the text; in the order in which they are written. */
    public const NAMES = ['place' => 'LOCATION', 'description' => 'DESCRIPTION'];

    /** Most characters of each that are kept. */
    public const LENGTHS = ['place' => 500, 'description' => 60_000];

    /**
     * The texts of an event as the values of all these properties; '' where there is none.
     *
     * @return array<string, string>
     */
    public static function of(EventContents $contents): array
    {
        $values = ['SUMMARY' => $contents->title === EventContents::UNTITLED ? '' : Text::escape($contents->title)];
        foreach (self::NAMES as $text => $name) {
            $values[$name] = Text::escape($contents->texts()[$text]);
        }

        return $values + ['CATEGORIES' => implode(',', array_map(Text::escape(...), $contents->categories))];
    }
}
