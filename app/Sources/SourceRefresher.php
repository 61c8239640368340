<?php

namespace App\Sources;

use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Imports\Intake;
use App\Imports\KnownEvents;
use App\Jobs\JobCancelled;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Sources\RefreshGuard;
use PinnedRota\Core\Sources\RefreshState;
use PinnedRota\Core\Time\Zone;
use Throwable;

/** Fetches a source and lays its calendar after it; when that fails, or would take too much away, the last good copy stays. */
final class SourceRefresher
{
    private const HISTORY = 200;

    private const ATTEMPTS = 3;

    private const MOST_FAILURES = 10;

    /** A source that fails again and again is tried once a day, in minutes. */
    private const LONGEST = 1440;

    public function __construct(
        private readonly Fetcher $fetcher,
        private readonly LinkedPages $linked,
        private readonly SourceReader $reader,
        private readonly Intake $intake,
        private readonly TellManagers $tell,
    ) {
    }

    /**
     * @param  ?callable(int, int): void  $progress  told how many of how many events are written
     * @param  bool  $anyway  whether it is taken in however much goes by it, and also where it was declined before
     *
     * @throws JobCancelled where it is wanted no more
     */
    public function refresh(Source $source, ?callable $progress = null, bool $anyway = false): Refresh
    {
        return $this->attempt($source, function () use ($source, $progress, $anyway): Refresh {
            $document = $this->fetch($source, $anyway);

            return DB::transaction(fn (): Refresh => $this->take($source, $document, $progress, $anyway), self::ATTEMPTS);
        });
    }

    /** Takes in what was held back, as it came then. */
    public function takeHeld(Source $source, Refresh $held, ?callable $progress = null): Refresh
    {
        return $this->attempt($source, fn (): Refresh => DB::transaction(function () use ($source, $held, $progress): Refresh {
            $document = HeldDocument::of($held, $source->url) ?? throw new FetchFailed('What was held back is not kept any more. Refresh it.');
            $taken = $this->take($source, $document, $progress, anyway: true);
            // What became of it stands in the other.
            $held->delete();

            return $taken;
        }, self::ATTEMPTS));
    }

    /**
     * @param  ?callable(int, int): void  $progress
     *
     * @throws FetchFailed where no event can be read in it
     */
    public function take(Source $source, FetchedDocument $document, ?callable $progress = null, bool $anyway = false): Refresh
    {
        // Locked, so that a refresh on demand and a scheduled one do not lay the same events twice.
        $declined = Source::query()->lockForUpdate()->findOrFail($source->id)->declined;
        if ($document->stream === null) {
            return $this->succeeded($source, $document, ['counts' => null]);
        }
        $read = $this->reader->read($document, $source->terms ?? [], Zone::of($source->calendar->timezone), new KnownEvents($source->calendar));
        $source->fill(['kind' => $read->kind, 'own_minutes' => $read->ownMinutes]);
        [$counts, $digest] = [$read->plan->counts(), $read->plan->digest()];
        if (! $anyway && $digest === $declined) {
            return $this->succeeded($source, $document, ['counts' => null], $declined);
        }
        if (! $anyway && RefreshGuard::holds($counts)) {
            return $this->hold($source, $document, $counts, $digest);
        }
        $operation = $this->intake->carryOut($source->calendar, $read->plan, Actor::nobody(), Cause::Refresh, progress: $progress);

        return $this->succeeded($source, $document, ['counts' => $counts, 'digest' => $digest, 'operation_id' => $operation?->id]);
    }

    /**
     * @param  callable(): Refresh  $work
     *
     * @throws JobCancelled
     */
    private function attempt(Source $source, callable $work): Refresh
    {
        try {
            return $work();
        } catch (JobCancelled $cancelled) {
            throw $cancelled;
        } catch (FetchFailed $problem) {
            return $this->failed($source, $problem->getMessage());
        } catch (Throwable $problem) {
            // Whatever it is, it is no reason to try every minute, nor to leave whoever keeps the calendar without a word.
            report($problem);

            return $this->failed($source, 'It could not be read for a reason that nobody foresaw. Whoever looks after this site finds it in the log.');
        }
    }

    /** @throws FetchFailed */
    private function fetch(Source $source, bool $anyway): FetchedDocument
    {
        $signIn = SignIn::of($source->sign_in);
        $follows = $source->terms['follow'] ?? false;
        // Of several pages one alone says nothing of the others.
        $asks = ! $anyway && ! $follows;
        $document = $this->fetcher->fetch($source->url, $asks ? $source->etag : null, $asks ? $source->last_modified : null, $signIn);

        return $follows ? $this->linked->of($document, $signIn) : $document;
    }

    private function failed(Source $source, string $message): Refresh
    {
        $source->refresh();
        $failures = min($source->failures + 1, self::MOST_FAILURES);
        $source->update([
            'error' => mb_strimwidth($message, 0, 500, '…'), 'failures' => $failures, 'failing_since' => $source->failing_since ?? now(),
            'next_refresh_at' => now()->addMinutes(min($source->everyMinutes() * 2 ** ($failures - 1), max(self::LONGEST, $source->everyMinutes()))),
        ]);
        $this->tell->fails($source);

        return $this->record($source, ['error' => $source->error, 'state' => RefreshState::Failed]);
    }

    /** @param  array{added: int, changed: int, unchanged: int, removed: int}  $counts */
    private function hold(Source $source, FetchedDocument $document, array $counts, string $digest): Refresh
    {
        $held = $source->held()->first();
        // What it is asked for by stays that of what was taken in: so what is held back comes again, or what was there before.
        $this->works($source);
        if ($held?->digest === $digest) {
            return $held;
        }
        $this->dropHeld($source);
        $refresh = $this->record($source, ['counts' => $counts, 'digest' => $digest, 'state' => RefreshState::Held, 'path' => HeldDocument::keep($document)]);
        $this->tell->isHeld($source, $counts);

        return $refresh;
    }

    /**
     * @param  array<string, mixed>  $outcome
     * @param  ?string  $declined  what somebody does not want, where that is what the far side still has
     */
    private function succeeded(Source $source, FetchedDocument $document, array $outcome, ?string $declined = null): Refresh
    {
        $this->dropHeld($source);
        // Where nothing has changed since, what was declined is declined still.
        $source->fill(['etag' => $document->etag, 'last_modified' => $document->lastModified, 'succeeded_at' => now(), 'declined' => $document->stream === null ? $source->declined : $declined]);
        $this->works($source);

        return $this->record($source, $outcome);
    }

    private function works(Source $source): void
    {
        $hadTold = TellManagers::hasTold($source);
        $source->fill(['next_refresh_at' => now()->addMinutes($source->everyMinutes()), 'error' => null, 'failures' => 0, 'failing_since' => null])->save();
        if ($hadTold) {
            $this->tell->works($source);
        }
    }

    /** The far side went on, or somebody has decided: what was held back is not asked about any more. */
    public function dropHeld(Source $source): void
    {
        foreach ($source->refreshes()->where('state', RefreshState::Held)->get() as $held) {
            $path = $held->path;
            DB::afterCommit(static fn () => HeldDocument::drop($path));
            $held->update(['state' => RefreshState::Declined, 'path' => null]);
        }
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
