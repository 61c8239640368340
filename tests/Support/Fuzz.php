<?php

namespace Tests\Support;

use ErrorException;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\SeriesCollector;
use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\ICalendar\OtherComponent;
use PinnedRota\Core\Recurrence\TooMuchWork;
use PinnedRota\Core\Recurrence\WorkBudget;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;
use RuntimeException;

/**
 * Calendar files that came to harm in ways that their structure suggests, and what must hold of each: reading ends in events and
 * diagnostics; written anew it is the same octets once more; and where nothing was wrong, the times are those of the file.
 * Seed mt_srand() first.
 */
final class Fuzz
{
    /** Steps that expanding one file may take. */
    private const STEPS = 60_000;

    private const VALUES = [
        '', ':', ';', ',', '"', '\\', '0', '-1', '99999999999', '20260229', '00000000T000000', '20261102T240000', '20261102T093000Z', '99991231T235959Z', '2026-11-02', 'P', 'PT', '-P1W', 'PT99999999S', 'P999999D',
        'FREQ=SECONDLY', 'FREQ=YEARLY;BYMONTHDAY=30;BYMONTH=2', 'FREQ=MONTHLY;BYDAY=5MO;BYSETPOS=-1', 'FREQ=WEEKLY;COUNT=0', 'RSCALE=HEBREW;FREQ=YEARLY', 'RSCALE=GREGORIAN;FREQ=MONTHLY;BYMONTHDAY=31;SKIP=FORWARD',
        'TRUE', 'CANCEL', 'REPLY', 'mailto:', "\u{feff}", "\xff\xfe", '😀', 'BEGIN:VEVENT', 'END:VCALENDAR', 'Europe/London', 'EST', 'UTC+25', '(UTC+01:00) Amsterdam, Berlin',
    ];

    private const NAMES = ['DTSTART', 'DTEND', 'DURATION', 'RRULE', 'RDATE', 'EXDATE', 'EXRULE', 'RECURRENCE-ID', 'UID', 'SUMMARY', 'CLASS', 'STATUS', 'ATTENDEE', 'TRIGGER', 'DTSTAMP', 'CREATED', 'BEGIN', 'END', 'CATEGORIES', 'URL', 'SEQUENCE', 'METHOD', 'TZID'];

    private const PARAMETERS = [';VALUE=DATE', ';VALUE=PERIOD', ';TZID=Europe/London', ';TZID=Nowhere', ';TZID="EST"', ';RANGE=THISANDFUTURE', ';X-A="', ';LANGUAGE=fr', ';=', ';CN=^n^^', ';RELATED=END'];

    /** @param  non-empty-list<string>  $corpus  sound files, and odd ones */
    public function __construct(private readonly array $corpus)
    {
    }

    /** Over what programs write, and all that can be written here. */
    public static function ofEverything(): self
    {
        $files = array_map(static fn (string $path): string => str_replace("\n", "\r\n", str_replace("\r\n", "\n", (string) file_get_contents($path))), glob(__DIR__.'/../dialects/*.ics') ?: []);
        for ($number = 0; $number < 20; $number++) {
            $files[] = Make::document(RandomCalendar::series(mt_rand(1, 4)));
        }

        return new self($files);
    }

    public function file(): string
    {
        $text = $this->corpus[array_rand($this->corpus)];
        for ($harm = mt_rand(0, 4); $harm > 0; $harm--) {
            $text = $this->harmed($text);
        }

        return $text;
    }

    /**
     * @return array{events: int, clean: bool, expanded: bool} what a file came to
     *
     * @throws RuntimeException where what must hold does not
     */
    public static function check(string $text): array
    {
        set_error_handler(static fn (int $level, string $message, string $file, int $line): bool => throw new ErrorException($message, 0, $level, $file, $line));
        try {
            [$series, $clean, $once] = self::read($text);
            if ($series === null) {
                return ['events' => 0, 'clean' => false, 'expanded' => false];
            }
            [$again, , $twice] = self::read($once);
            if ($twice !== $once) {
                throw new RuntimeException("Written once more it is other octets:\n".self::difference($once, (string) $twice));
            }
            $times = self::times($series);
            if ($clean && $times !== null && $times !== self::times($again ?? [])) {
                throw new RuntimeException("Nothing was wrong with it, and written anew it has other times:\n".self::difference(implode("\n", $times), implode("\n", self::times($again ?? []) ?? [])));
            }

            return ['events' => count($series), 'clean' => $clean, 'expanded' => $times !== null];
        } finally {
            restore_error_handler();
        }
    }

    /** @return array{?list<Series>, bool, ?string} the series, whether nothing was wrong, and all of it written anew; nulls where it is no calendar */
    private static function read(string $text): array
    {
        $diagnostics = new Diagnostics;
        $reader = new CalendarReader(Make::stream($text), $diagnostics, Zone::of('Europe/London'));
        $collector = new SeriesCollector($diagnostics);
        $others = [];
        try {
            foreach ($reader->contents() as $content) {
                if ($content instanceof OtherComponent) {
                    $others[] = $content;
                } else {
                    $collector->add($content);
                }
            }
        } catch (NotICalendar) {
            return [null, false, null];
        }
        $series = $collector->series();

        return [$series, $diagnostics->total() === 0, Make::document($series, $reader->head(), $others)];
    }

    /**
     * @param  list<Series>  $all
     * @return ?list<string> null where it is more than one looks at
     */
    private static function times(array $all): ?array
    {
        $budget = new WorkBudget(self::STEPS);
        $lines = [];
        try {
            foreach ($all as $series) {
                foreach ($series->occurrences(LocalDateTime::parse('2026-01-01')->seconds, LocalDateTime::parse('2028-01-01')->seconds, $budget) as $each) {
                    $lines[] = "{$each->startSeconds} {$each->endSeconds} {$each->start->kind->value} {$each->event->contents->title} {$each->event->contents->status->value}";
                }
            }
        } catch (TooMuchWork) {
            return null;
        }
        sort($lines);

        return $lines;
    }

    private function harmed(string $text): string
    {
        $lines = explode("\r\n", $text);
        $at = mt_rand(0, max(0, count($lines) - 1));
        $place = mt_rand(0, max(0, strlen($text) - 1));

        return match (mt_rand(0, 11)) {
            // Flip an octet.
            0 => $text === '' ? 'x' : substr_replace($text, chr(ord($text[$place]) ^ (1 << mt_rand(0, 7))), $place, 1),
            // Truncate.
            1 => mt_rand(0, 2) === 0 ? substr($text, 0, $place) : $text,
            // Splice with another.
            2 => implode("\r\n", [...array_slice($lines, 0, $at), ...array_slice(explode("\r\n", $this->corpus[array_rand($this->corpus)]), mt_rand(0, 20))]),
            // Repeat a stretch, of which most are parts of components.
            3 => implode("\r\n", [...array_slice($lines, 0, $at), ...array_merge(...array_fill(0, mt_rand(1, 6), array_slice($lines, $at, mt_rand(1, 12)))), ...array_slice($lines, $at)]),
            // Nest.
            4 => implode("\r\n", [...array_slice($lines, 0, $at), ...$this->component(), ...array_slice($lines, $at)]),
            5 => implode("\r\n", [...array_slice($lines, 0, $at), ...array_slice($lines, $at + mt_rand(1, 4))]),
            // A property with another value, or under another name.
            6 => $this->with($lines, $at, static fn (string $line): string => substr($line, 0, (int) strpos($line, ':')).':'.self::VALUES[array_rand(self::VALUES)]),
            7 => $this->with($lines, $at, static fn (string $line): string => self::NAMES[array_rand(self::NAMES)].substr($line, strcspn($line, ':;'))),
            8 => $this->with($lines, $at, static fn (string $line): string => (string) preg_replace('/[:;]/', self::PARAMETERS[array_rand(self::PARAMETERS)].'$0', $line, 1)),
            // Other numbers, all or one.
            9 => (string) preg_replace_callback('/\d+/', static fn (array $m): string => mt_rand(0, 9) === 0 ? substr((string) mt_rand(0, 99_999_999), 0, strlen($m[0])) : $m[0], $text),
            10 => $this->with($lines, $at, static fn (string $line): string => substr($line, 0, mt_rand(0, strlen($line))).self::VALUES[array_rand(self::VALUES)]),
            default => $this->with($lines, $at, static fn (string $line): string => strtolower($line)),
        };
    }

    /** @return list<string> a component of another file */
    private function component(): array
    {
        $other = $this->corpus[array_rand($this->corpus)];

        return preg_match('/BEGIN:(VEVENT|VALARM|VTIMEZONE|STANDARD)\r\n.*?END:\1/s', $other, $m) === 1 ? explode("\r\n", $m[0]) : ['BEGIN:VEVENT'];
    }

    /**
     * @param  list<string>  $lines
     * @param  callable(string): string  $change
     */
    private function with(array $lines, int $at, callable $change): string
    {
        $lines[$at] = $change($lines[$at]);

        return implode("\r\n", $lines);
    }

    private static function difference(string $a, string $b): string
    {
        return implode("\n", [...array_map(static fn (string $line): string => "- {$line}", array_slice(array_diff(explode("\n", $a), explode("\n", $b)), 0, 8)), ...array_map(static fn (string $line): string => "+ {$line}", array_slice(array_diff(explode("\n", $b), explode("\n", $a)), 0, 8))]);
    }
}
