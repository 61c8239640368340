<?php

namespace App\Sources;

use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Imports\Intake;
use App\Jobs\JobCancelled;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\NotICalendar;
use Throwable;

/** Fetches a source and lays its calendar after it; when that fails, the last good copy stays. */
final class SourceRefresher
{
    private const HISTORY = 200;

    private const ATTEMPTS = 3;

    private const MOST_FAILURES = 10;

    /** A source that fails again and again is tried once a day, in minutes. */
    private const LONGEST = 1440;

    public function __construct(private readonly Fetcher $fetcher, private readonly Intake $intake)
    {
    }

    /**
     * @param  ?callable(int, int): void  $progress  told how many of how many events are written
     *
     * @throws JobCancelled where it is wanted no more
     */
    public function refresh(Source $source, ?callable $progress = null): Refresh
    {
        try {
            $document = $this->fetcher->fetch($source->url, $source->etag, $source->last_modified);

            return DB::transaction(fn (): Refresh => $this->take($source, $document, $progress), self::ATTEMPTS);
        } catch (JobCancelled $cancelled) {
            throw $cancelled;
        } catch (FetchFailed $problem) {
            return $this->failed($source, $problem->getMessage());
        } catch (NotICalendar) {
            return $this->failed($source, 'The far side answered with something that is not iCalendar.');
        } catch (Throwable $problem) {
            // Whatever it is, it is no reason to try every minute, nor to leave whoever keeps the calendar without a word.
            report($problem);

            return $this->failed($source, 'It could not be read for a reason that nobody foresaw. Whoever looks after this site finds it in the log.');
        }
    }

    private function failed(Source $source, string $message): Refresh
    {
        $source->refresh();
        $failures = min($source->failures + 1, self::MOST_FAILURES);
        $source->update(['error' => $message, 'failures' => $failures, 'next_refresh_at' => now()->addMinutes(min($source->refresh_minutes * 2 ** ($failures - 1), self::LONGEST))]);

        return $this->record($source, ['error' => $message]);
    }

    /**
     * @param  ?callable(int, int): void  $progress
     *
     * @throws NotICalendar
     */
    public function take(Source $source, FetchedDocument $document, ?callable $progress = null): Refresh
    {
        // Locked, so that a refresh on demand and a scheduled one do not lay the same events twice.
        Source::query()->lockForUpdate()->findOrFail($source->id);
        $counts = null;
        if ($document->stream !== null) {
            $plan = $this->intake->plan($source->calendar, $document->stream, new Diagnostics, isRemoving: true);
            $this->intake->carryOut($source->calendar, $plan, Actor::nobody(), Cause::Refresh, progress: $progress);
            $counts = $plan->counts();
        }
        $source->update([
            'etag' => $document->etag,
            'last_modified' => $document->lastModified,
            'succeeded_at' => now(),
            'next_refresh_at' => now()->addMinutes($source->refresh_minutes),
            'error' => null,
            'failures' => 0,
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
