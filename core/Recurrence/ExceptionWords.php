<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;

/** What becomes of times that were changed or left out on their own when something is done with their series, said before it is done. */
final readonly class ExceptionWords
{
    /** So many of them are named. */
    private const NAMED = 3;

    private const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

    private const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

    /**
     * @param  array<string, LocalDateTime>  $changed  when each is now, by the name of its time; in order of these names
     * @param  string  $time  the name of the time that is looked at; empty for the series as such
     * @param  int  $skipped  how many days are left out
     */
    public function __construct(private array $changed, private string $time, private int $skipped)
    {
    }

    public function changing(): ScopeWords
    {
        $own = isset($this->changed[$this->time]);
        $later = $this->later();
        $stays = count($this->changed) === 1 ? 'keeps what was changed and where it was put' : 'keep what was changed and where they were put';
        $out = match ($this->skipped) {
            0 => '',
            1 => 'One day that is left out stays so.',
            default => "{$this->skipped} days that are left out stay so.",
        };

        return new ScopeWords(
            $own ? 'It was changed on its own before, and is changed again.' : 'It is told apart from the others from now on.',
            self::sentences('From here on it is a series of its own.', self::these($later, count($later) === 1 ? 'goes along and keeps its changes' : 'go along and keep their changes')),
            self::sentences(self::these($this->changed, $stays), $out) ?: 'Every time of it changes.',
        );
    }

    public function deleting(): ScopeWords
    {
        $others = array_filter($this->changed, fn (string $name): bool => $name !== $this->time, ARRAY_FILTER_USE_KEY);

        return new ScopeWords('All others stay.', self::sentences('Those before it stay.', self::gone($this->later())), self::sentences('Every time of it goes.', self::gone($others)));
    }

    /** @return array<string, LocalDateTime> */
    private function later(): array
    {
        return array_filter($this->changed, fn (string $name): bool => $name > $this->time, ARRAY_FILTER_USE_KEY);
    }

    /** @param  array<string, LocalDateTime>  $times */
    private static function gone(array $times): string
    {
        return self::these($times, count($times) === 1 ? 'goes, too' : 'go, too');
    }

    /** @param  array<string, LocalDateTime>  $times */
    private static function these(array $times, string $how): string
    {
        if ($times === []) {
            return '';
        }
        $days = implode(', ', array_map(self::day(...), array_slice(array_values($times), 0, self::NAMED))).(count($times) > self::NAMED ? ' and more' : '');

        return (count($times) === 1 ? 'The time changed on its own' : 'The '.count($times).' times changed on their own')." ({$days}) {$how}.";
    }

    private static function day(LocalDateTime $time): string
    {
        [, $month, $date] = CivilDate::fromDays($time->day());

        return self::DAYS[CivilDate::weekday($time->day())]." {$date} ".self::MONTHS[$month - 1];
    }

    private static function sentences(string ...$sentences): string
    {
        return implode(' ', array_filter($sentences, static fn (string $each): bool => $each !== ''));
    }
}
