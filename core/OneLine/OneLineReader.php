<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

use PinnedRota\Core\Time\LocalDateTime;

/**
 * Reads one line as an event: words first, marks (# before a category, @ before a person, group or place) where one likes.
 * What is not understood stays in the title, and is marked where it looks like something.
 */
final class OneLineReader
{
    /**
     * @param  LocalDateTime  $now  on the wall of the writer
     * @param  Habits  $habits  of the writer’s organisation
     * @param  list<string>  $plain  pieces that are to be left in the title
     * @param  SpanReading  $span  what several days with one hour mean
     */
    public static function read(string $text, Vocabulary $words, LocalDateTime $now, Habits $habits = new Habits, array $plain = [], SpanReading $span = SpanReading::EachDay): Understood
    {
        $line = new Line($text, $plain);
        $found = new FoundWhen;
        $names = new NameReader($line, $words);
        $states = new StateReader($line);
        $days = new DayReader($line, $now, $habits, $words, $found);
        $hours = new HourReader($line, $now, $habits, $found);
        $names->marks();
        $states->marked();
        (new RepeatReader($line, $words, $days, $found))->read();
        $names->names();
        $hours->fromNow();
        $days->read();
        $hours->read();
        $names->misspelt();
        $names->place();
        $states->bare();
        $names->loose();
        $title = $line->title();
        // A deadline is a moment: it lasts no hour.
        $found->moment = $found->moment || preg_match('/\bdue\b/ui', $title) === 1;
        [$start, $end, $allDay] = $found->settle($now, $span);
        if ($line->blocked()) {
            [$start, $end, $allDay] = [null, null, false];
        }

        return new Understood(
            $title === '' ? $names->place : $title, $start, $end, $allDay, $found->repeat?->rule(),
            $found->until === null ? null : LocalDateTime::midnight($found->until), $found->count,
            $names->place, $names->categories, $names->people, $names->groups, $names->responsible, $names->rooms, $names->calendar, $states->provisional, $states->private, $line->pieces(),
            $line->doubts(), $found->reading, $found->within,
        );
    }
}
