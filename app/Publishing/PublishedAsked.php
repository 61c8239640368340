<?php

namespace App\Publishing;

use Illuminate\Support\Carbon;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;
use Throwable;

/** What of a publication is looked at, as the address says: anything else than it knows is as if it were not there. */
final readonly class PublishedAsked
{
    private const FIRST = '1970-01-01';

    private const LAST = '2199-12-31';

    /** What can be looked at, by its name in the address, each with so many days; a month has its own. */
    private const DAYS = ['list' => 28, 'lanes' => 14, 'week' => 7, 'month' => 31];

    private const MOST_OFF = 100;

    /**
     * @param  'list'|'lanes'|'week'|'month'  $view
     * @param  string  $date  `2026-11-27`
     * @param  list<int>  $off  layers that are not shown, by their place in the key
     */
    private function __construct(public string $view, public string $date, public array $off, public string $category, private int $days)
    {
    }

    /** @param  array<array-key, mixed>  $query */
    public static function of(array $query, string $today): self
    {
        $text = static fn (string $name): string => is_string($query[$name] ?? null) && mb_check_encoding($query[$name]) ? mb_substr($query[$name], 0, 400) : '';
        $off = array_values(array_unique(array_map(intval(...), array_filter(explode(',', $text('off')), ctype_digit(...)))));
        sort($off);

        $view = isset(self::DAYS[$text('view')]) ? $text('view') : 'list';

        return new self($view, self::date($text('date')) ?? $today, array_slice($off, 0, self::MOST_OFF), $text('category'), self::DAYS[$view]);
    }

    /** Today and the six days after it. */
    public static function week(string $today): self
    {
        return new self('list', $today, [], '', 7);
    }

    /** The first day that is shown: of a month, the Monday on or before its first; of weeks, their Monday. */
    public function from(): LocalDateTime
    {
        return LocalDateTime::midnight(match ($this->view) {
            'month' => CivilDate::monday(LocalDateTime::parse($this->month()->toDateString())->day()),
            'list' => LocalDateTime::parse($this->date)->day(),
            default => CivilDate::monday(LocalDateTime::parse($this->date)->day()),
        });
    }

    /** The day after the last. */
    public function to(): LocalDateTime
    {
        return $this->view === 'month'
            ? LocalDateTime::midnight(CivilDate::monday(LocalDateTime::parse($this->month()->addMonth()->subDay()->toDateString())->day()) + 7)
            : $this->from()->plusDays($this->days);
    }

    public function month(): Carbon
    {
        return Carbon::parse(substr($this->date, 0, 7).'-01', 'UTC');
    }

    /** The date one goes to from here: the month, or as many days as are shown, before or after. */
    public function turned(int $direction): string
    {
        return ($this->view === 'month' ? $this->month()->addMonths($direction) : Carbon::parse($this->date, 'UTC')->addDays($direction * $this->days))->toDateString();
    }

    /**
     * The same as an address says it, with some of it changed.
     *
     * @param  array{view?: string, date?: string, off?: list<int>, category?: string}  $change
     */
    public function query(array $change = []): string
    {
        $told = $change + ['view' => $this->view, 'date' => $this->date, 'off' => $this->off, 'category' => $this->category];
        $told['off'] = implode(',', $told['off']);

        return http_build_query(array_filter($told, static fn (string $each): bool => $each !== ''));
    }

    private static function date(string $text): ?string
    {
        try {
            $date = preg_match('/^\d{4}-\d\d-\d\d$/', $text) === 1 ? LocalDateTime::parse($text)->toDate() : null;
        } catch (Throwable) {
            return null;
        }

        return $date !== null && $date >= self::FIRST && $date <= self::LAST ? $date : null;
    }
}
