<?php

namespace App\Sources;

use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Imports\Intake;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\NotICalendar;

/** Fetches a source and lays its calendar after it; when that fails, the last good copy stays. */
final class SourceRefresher
{
    private const HISTORY = 200;

    public function __construct(private readonly Fetcher $fetcher, private readonly Intake $intake)
    {
    }

    public function refresh(Source $source): Refresh
    {
        try {
            $document = $this->fetcher->fetch($source->url, $source->etag, $source->last_modified);

            return DB::transaction(fn (): Refresh => $this->take($source, $document));
        } catch (FetchFailed|NotICalendar $problem) {
            $message = $problem instanceof NotICalendar ? 'The far side answered with something that is not iCalendar.' : $problem->getMessage();
            $source->update(['error' => $message, 'next_refresh_at' => now()->addMinutes($source->refresh_minutes)]);

            return $this->record($source, ['error' => $message]);
        }
    }

    /** @throws NotICalendar */
    public function take(Source $source, FetchedDocument $document): Refresh
    {
        // Locked, so that a refresh on demand and a scheduled one do not lay the same events twice.
        Source::query()->lockForUpdate()->findOrFail($source->id);
        $counts = null;
        if ($document->stream !== null) {
            $plan = $this->intake->plan($source->calendar, $document->stream, new Diagnostics);
            $this->intake->carryOut($source->calendar, $plan, Actor::nobody(), Cause::Refresh, removing: true);
            $counts = $plan->counts();
        }
        $source->update([
            'etag' => $document->etag,
            'last_modified' => $document->lastModified,
            'succeeded_at' => now(),
            'next_refresh_at' => now()->addMinutes($source->refresh_minutes),
            'error' => null,
        ]);

        return $this->record($source, ['counts' => $counts]);
    }

    /** @param  array<string, mixed>  $outcome */
    private function record(Source $source, array $outcome): Refresh
    {
        $refresh = Refresh::query()->create($outcome + ['source_id' => $source->id, 'at' => now(), 'counts' => null, 'error' => null]);
        $oldest = Refresh::query()->where('source_id', $source->id)->orderByDesc('id')->skip(self::HISTORY)->value('id');
        if ($oldest !== null) {
            Refresh::query()->where('source_id', $source->id)->where('id', '<=', $oldest)->delete();
        }

        return $refresh;
    }
}
