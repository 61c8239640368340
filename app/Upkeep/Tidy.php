<?php

namespace App\Upkeep;

use App\Attachments\Attachment;
use App\Changes\Change;
use App\Events\EventRecord;
use App\History\Operation;
use App\Imports\Import;
use App\Invitations\EventInvitation;
use App\Jobs\BackgroundJob;
use App\Jobs\JobOutcome;
use App\Outbox\LetterState;
use App\Outbox\OutboxLetter;
use App\Sources\HeldDocument;
use App\Sources\Refresh;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Spatie\Activitylog\Models\Activity;

/** Ends what has had its life, as config/rota.php says how long that is: nothing here grows without end. */
final class Tidy
{
    private const AT_ONCE = 500;

    /** @return array<string, int> how many of each were ended */
    public function run(): array
    {
        return [
            'change marks' => $this->changeMarks(),
            'deleted events' => $this->deletedEvents(),
            'operations' => $this->operations(),
            'changes of what is gone' => DB::table('series_changes')->where('deleted', true)->where('changed_at', '<', now()->subDays((int) config('rota.keep.deleted_days')))->delete(),
            'deleted categories' => DB::table('deleted_categories')->where('deleted_at', '<', now()->subDays((int) config('rota.keep.deleted_days')))->delete(),
            'keys of what was done' => DB::table('idempotency_keys')->where('created_at', '<', now()->subDays((int) config('rota.keep.key_days')))->delete(),
            'viewers of long ago' => DB::table('live_viewers')->where('opened_at', '<', now()->subHours((int) config('rota.live.viewer_hours')))->delete(),
            'jobs' => BackgroundJob::query()->where('ended_at', '<', now()->subDays((int) config('rota.keep.job_days')))->delete(),
            'letters' => OutboxLetter::query()->where('state', '!=', LetterState::Waiting)->where('created_at', '<', now()->subDays((int) config('rota.keep.letter_days')))->delete(),
            'what was told' => DB::table('notice_batches')->where('created_at', '<', now()->subDays((int) config('rota.keep.letter_days')))->delete(),
            'invitations to what is gone' => EventInvitation::query()->whereNotExists(static fn ($event) => $event->from('events')->whereColumn('events.id', 'event_invitations.event_id'))->where('updated_at', '<', now()->subDays((int) config('rota.keep.letter_days')))->delete(),
            'sign-ins' => (int) Activity::query()->where('log_name', 'sign-ins')->where('created_at', '<', now()->subDays((int) config('rota.keep.sign_in_days')))->delete(),
            'files that were made' => $this->madeFiles(),
            'files that were looked at' => $this->importFiles(),
            'files that were held back' => $this->heldFiles(),
            'files of what is gone' => $this->attachmentFiles(),
        ];
    }

    private function changeMarks(): int
    {
        return Change::query()->where('created_at', '<', now()->subDays((int) config('rota.keep.change_mark_days')))->where('id', '<', (int) Change::query()->max('id'))->delete();
    }

    /** What was deleted can be brought back for so long, and no longer. */
    private function deletedEvents(): int
    {
        $count = 0;
        $old = fn () => EventRecord::onlyTrashed()->whereNull('series_id')->where('deleted_at', '<', now()->subDays((int) config('rota.keep.deleted_days')))->limit(self::AT_ONCE)->pluck('id');
        for ($ids = $old(); $ids->isNotEmpty(); $ids = $old()) {
            DB::transaction(function () use ($ids): void {
                DB::table('operation_series')->whereIn('series_id', $ids)->delete();
                EventRecord::withTrashed()->whereIn('id', $ids)->forceDelete();
            });
            $count += $ids->count();
        }

        return $count;
    }

    /** With the states that they hold; one that holds none any more goes, too. */
    private function operations(): int
    {
        $count = 0;
        $before = now()->subDays((int) config('rota.keep.history_days'));
        do {
            $ids = Operation::query()->where('created_at', '<', $before)->orderBy('id')->limit(self::AT_ONCE)->pluck('id');
            $count += Operation::query()->whereIn('id', $ids)->delete();
        } while ($ids->isNotEmpty());

        return $count;
    }

    private function heldFiles(): int
    {
        $kept = Refresh::query()->whereNotNull('path')->pluck('path')->flip();

        return $this->deleteFiles(HeldDocument::DIRECTORY, now()->subHours((int) config('rota.imports.keep_hours'))->getTimestamp(), static fn (string $path): bool => ! $kept->has(str_replace('.linked', '', $path)));
    }

    private function importFiles(): int
    {
        $before = now()->subHours((int) config('rota.imports.keep_hours'));
        $old = Import::query()->whereNotNull('path')->where(static fn ($either) => $either->where(static fn ($looked) => $looked->whereNull('applied_at')->where('created_at', '<', $before))
            ->orWhere('applied_at', '<', now()->subDays((int) config('rota.imports.keep_days'))));
        foreach ($old->get() as $import) {
            $import->update(['path' => null]);
        }
        $kept = Import::query()->whereNotNull('path')->pluck('path')->flip();

        return $this->deleteFiles('imports', $before->getTimestamp(), static fn (string $path): bool => ! $kept->has($path));
    }

    /** As long as the job that made it. */
    private function madeFiles(): int
    {
        return $this->deleteFiles(JobOutcome::FILES, now()->subDays((int) config('rota.keep.job_days'))->getTimestamp(), static fn (): bool => true);
    }

    /** A file that was taken off, or whose event is gone, stays as long as that can be undone by what is written down. */
    private function attachmentFiles(): int
    {
        $since = now()->subDays((int) config('rota.keep.deleted_days'));

        return $this->deleteFiles('attachments', $since->getTimestamp(), static fn (string $path): bool => ! Attachment::query()->where('path', $path)->exists()
            && ! DB::table('operation_series')->join('operations', 'operations.id', '=', 'operation_id')->where('operations.created_at', '>=', $since)->where('before', 'like', '%'.addcslashes(trim((string) json_encode($path), '"'), '%_\\').'%')->exists());
    }

    /**
     * @param  int  $before  UTC seconds: only what was stored earlier
     * @param  callable(string): bool  $isGone
     */
    private function deleteFiles(string $directory, int $before, callable $isGone): int
    {
        $gone = array_filter(Storage::files($directory), static fn (string $path): bool => Storage::lastModified($path) < $before && $isGone($path));
        Storage::delete($gone);

        return count($gone);
    }
}
