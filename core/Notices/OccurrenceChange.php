<?php

declare(strict_types=1);

namespace PinnedRota\Core\Notices;

use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\Status;

/** One time of an event that is another than it was, is new, or is gone. */
final readonly class OccurrenceChange
{
    /**
     * @param  int  $series  of what is there now, or where nothing is, of what was
     * @param  ?Occurrence  $before  null where it was added
     * @param  ?Occurrence  $after  null where it is gone
     * @param  list<ChangedPart>  $parts  what is another, where there is a before and an after
     * @param  ?int  $seriesBefore  of what was, where that is another series than it is of now
     */
    public function __construct(public ChangeKind $kind, public int $series, public ?Occurrence $before, public ?Occurrence $after, public array $parts = [], public ?int $seriesBefore = null)
    {
    }

    /** The same to whom it was nothing before: it is new. */
    public static function in(self $change): self
    {
        return new self($change->after?->event->contents->status === Status::Cancelled ? ChangeKind::Cancelled : ChangeKind::Added, $change->series, null, $change->after);
    }

    /** The same to whom it is nothing any more: it is gone. */
    public static function out(self $change): self
    {
        return new self(ChangeKind::Cancelled, $change->seriesBefore ?? $change->series, $change->before, null);
    }

    /** Whether it was, or is, within [from, to) on the index's axis. */
    public function touches(int $from, int $to): bool
    {
        foreach ([$this->before, $this->after] as $each) {
            if ($each !== null && $each->startSeconds < $to && ($each->endSeconds > $from || $each->startSeconds >= $from)) {
                return true;
            }
        }

        return false;
    }
}
