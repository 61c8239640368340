<?php

declare(strict_types=1);

namespace PinnedRota\Core\Notices;

use LogicException;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Time\Zone;

/** One change as it is told: what became of one time of an event, where, and by whom. */
final readonly class NoticeItem
{
    /**
     * @param  int  $series  of what is there now, or where nothing is, of what was
     * @param  list<ChangedPart>  $parts  what is another, where there is a before and an after
     * @param  bool  $isOff  whether what is there now is cancelled
     * @param  bool  $isConfirmed  whether what is there now is settled
     * @param  string  $calendar  the name of where it is, or was
     * @param  int  $operation  that did it, or did it last
     * @param  ?string  $by  who did; null where nobody of the directory did
     */
    public function __construct(
        public FollowedChange $change,
        public int $series,
        public ?NoticeTime $was,
        public ?NoticeTime $is,
        public array $parts,
        public bool $isOff,
        public bool $isConfirmed,
        public int $calendarId,
        public string $calendar,
        public int $operation,
        public ?string $by,
    ) {
    }

    public static function of(OccurrenceChange $change, int $calendarId, string $calendar, int $operation, ?string $by): self
    {
        $time = static fn (?Occurrence $of): ?NoticeTime => $of === null ? null : NoticeTime::of($of, $of->recurrenceId === null ? null : RecurrenceId::text($of->recurrenceId));
        $status = $change->after?->event->contents->status;

        return new self(
            FollowedChange::of($change->kind), $change->series, $time($change->before), $time($change->after), $change->parts,
            $status === Status::Cancelled, $status === Status::Confirmed, $calendarId, $calendar, $operation, $by,
        );
    }

    /** Where it is now, or where it is no longer, where it was. */
    public function shown(): NoticeTime
    {
        return $this->is ?? $this->was ?? throw new LogicException('A change has a before or an after.');
    }

    /** By how many seconds of somebody’s wall it moved, so that a week is one also over a clock change; null where it did not, or became longer or shorter, too. */
    public function shift(Zone $zone): ?int
    {
        if ($this->was === null || $this->is === null || $this->was->kind !== $this->is->kind) {
            return null;
        }
        $by = $this->is->start($zone)->local->seconds - $this->was->start($zone)->local->seconds;

        return $by !== 0 && $by === $this->is->end($zone)->local->seconds - $this->was->end($zone)->local->seconds ? $by : null;
    }
}
