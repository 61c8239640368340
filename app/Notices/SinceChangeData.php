<?php

namespace App\Notices;

use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Notices\ChangedPart;
use PinnedRota\Core\Notices\ChangeKind;
use PinnedRota\Core\Time\Zone;

/** One time of an event that is another than it was, is new, or is gone. */
final readonly class SinceChangeData
{
    /**
     * @param  int  $id  Of the event that is there now, or where nothing is, of what was
     * @param  ?string  $occurrence  The name of the time that is there now
     * @param  ?TimeInLayerData  $is  Null where nothing is left of it, or it is out of what is looked through
     * @param  ?TimeInLayerData  $was  Null where it was added, or was out of what is looked through
     * @param  list<ChangedPart>  $parts  What of it is another
     * @param  ?string  $by  Who did it last
     * @param  string  $at  When, UTC, RFC 3339
     */
    public function __construct(
        public ChangeKind $kind,
        public int $id,
        public ?string $occurrence,
        public ?TimeInLayerData $is,
        public ?TimeInLayerData $was,
        public array $parts,
        public ?string $by,
        public string $at,
    ) {
    }

    public static function of(SeenChange $seen, Zone $zone): self
    {
        $change = $seen->change;

        return new self(
            $change->kind, $change->series, $change->after?->recurrenceId === null ? null : RecurrenceId::text($change->after->recurrenceId),
            $change->after === null || $seen->isIn === null ? null : TimeInLayerData::of($change->after, $seen->isIn, $zone),
            $change->before === null || $seen->wasIn === null ? null : TimeInLayerData::of($change->before, $seen->wasIn, $zone),
            $change->parts, $seen->by, $seen->at->toIso8601ZuluString(),
        );
    }
}
