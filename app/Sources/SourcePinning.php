<?php

namespace App\Sources;

use App\Calendars\Calendar;
use App\ChangeLog\ChangeLog;
use App\Changes\Change;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Command;
use App\Events\Write\Commands\LayPins;
use App\Events\Write\Commands\UnpinSeries;
use App\Events\Write\OperationKind;
use App\Pins\Pin;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\LazyCollection;

/** Pins all of a source to a further calendar, what comes of it later too, and takes it off again. Who may do that is asked before. */
final class SourcePinning
{
    public function __construct(private readonly ChangeEvents $changes)
    {
    }

    /**
     * Where it is pinned there already, it goes on in the name of whoever pins it now.
     *
     * @param  ?callable(int, int): void  $progress  told how many of how many events show there; what it throws takes all of it back
     */
    public function pin(Source $source, Calendar $calendar, Person $by, ?callable $progress = null): SourcePin
    {
        return DB::transaction(function () use ($source, $calendar, $by, $progress): SourcePin {
            self::lock($source->id, $source->calendar_id, $calendar->id);
            $pin = SourcePin::query()->updateOrCreate(['source_id' => $source->id, 'calendar_id' => $calendar->id], ['pinned_by' => $by->id]);
            Pin::query()->where('source_pin_id', $pin->id)->update(['pinned_by' => $by->id]);
            $heads = EventRecord::query()->where('calendar_id', $source->calendar_id)->whereNull('series_id');
            $commands = static fn (): iterable => $heads->clone()->select('id')->lazyById()->map(static fn (EventRecord $head): Command => new LayPins($head->id));
            $this->carryOut(OperationKind::Pin, $pin, $by, $commands, $heads->count(), $progress);
            ChangeLog::sourcePin($calendar, $by, $source->calendar->name, true);

            return $pin;
        });
    }

    /** @param  ?callable(int, int): void  $progress */
    public function unpin(SourcePin $pin, Person $by, ?callable $progress = null): void
    {
        DB::transaction(function () use ($pin, $by, $progress): void {
            self::lock($pin->source_id, $pin->source->calendar_id, $pin->calendar_id);
            $heads = Pin::query()->where('source_pin_id', $pin->id)->pluck('event_id');
            // First, or each would be pinned again at once.
            $pin->delete();
            $commands = static fn (): iterable => LazyCollection::make($heads)->map(static fn (int $id): Command => new UnpinSeries($id, $pin->calendar_id));
            $this->carryOut(OperationKind::Unpin, $pin, $by, $commands, $heads->count(), $progress);
            ChangeLog::sourcePin($pin->calendar, $by, $pin->source->calendar->name, false);
        });
    }

    /**
     * @param  callable(): iterable<Command>  $commands
     * @param  ?callable(int, int): void  $progress
     */
    private function carryOut(OperationKind $kind, SourcePin $pin, Person $by, callable $commands, int $count, ?callable $progress): void
    {
        $this->changes->carryOutMany(Actor::person($by), Cause::Screen, $kind, [$pin->source->calendar_id, $pin->calendar_id], $commands, $count, $progress);
        Change::of($pin->calendar_id);
        Change::ofAccess([$by->id]);
    }

    /** In the order in which a refresh does: the source, then the calendars, before a row names them. */
    private static function lock(int $sourceId, int ...$calendarIds): void
    {
        Source::query()->lockForUpdate()->findOrFail($sourceId);
        Calendar::query()->whereKey($calendarIds)->orderBy('id')->lockForUpdate()->get();
    }
}
