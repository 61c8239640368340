<?php

namespace App\Bulk;

use App\Access\CurrentViewer;
use App\Events\EventRecord;
use App\Events\OutdatedEventData;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Command;
use App\Events\Write\Commands\AddSeries;
use App\Events\Write\Commands\DeleteSeries;
use App\Events\Write\Commands\MoveSeries;
use App\Events\Write\Commands\ReplaceSeries;
use App\Events\Write\NewSeries;
use App\Events\Write\OperationKind;
use App\Events\Write\OutdatedSeries;
use App\Http\VersionConflict;
use App\Jobs\JobOutcome;
use App\Jobs\JobRun;
use App\Jobs\Work;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Events\Event;

/** Changes many events alike, as one operation: all of them or none. */
final class ChangeInBulk implements Work
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly BulkPlan $plan, private readonly ChangeEvents $changes)
    {
    }

    public function carryOut(JobRun $run): JobOutcome
    {
        $input = BulkInput::of($run->input);
        $planned = $this->plan->of($input);
        $this->demandAll($planned, $input);
        $commands = array_merge(...array_map(fn (Planned $each): array => $this->commands($each, $input->filled('copyDays')), $planned));
        $versions = array_map(static fn (BulkEvent $each): int => $each->version, $input->events());
        // Told in events, of which some take two steps.
        $progress = static fn (int $done, int $total) => $run->progress->at(intdiv($done * count($planned), $total), count($planned));
        try {
            return $run->finish(function () use ($progress, $commands, $versions): JobOutcome {
                $operation = $this->changes->carryOut(Actor::person($this->viewer->person()), Cause::Screen, OperationKind::Bulk, $commands, $versions, $progress)->operation;

                return new JobOutcome(operation: $operation->id, events: $operation->series()->count());
            });
        } catch (OutdatedSeries $problem) {
            throw new VersionConflict(array_map(static fn (EventRecord $head): OutdatedEventData => new OutdatedEventData($head->id, $head->title, $head->version), $problem->heads));
        }
    }

    /** @return list<Command> */
    private function commands(Planned $planned, bool $copies): array
    {
        if ($copies) {
            $uid = Str::uuid()->toString();

            return [new AddSeries((int) $planned->calendarId, $planned->after->each(static fn (Event $event): Event => $event->with(uid: $uid)), new NewSeries(copiedFrom: $planned->id))];
        }

        if ($planned->after === null) {
            return [new DeleteSeries($planned->id)];
        }
        $replace = new ReplaceSeries($planned->id, $planned->after);

        $commands = $planned->calendarId === $planned->head?->calendar_id ? [$replace] : [new MoveSeries($planned->id, (int) $planned->calendarId), $replace];

        return $planned->later === null ? $commands : [...$commands, new AddSeries((int) $planned->calendarId, $planned->later, new NewSeries($planned->head?->created_by, (bool) $planned->head?->joinable), [], $planned->id)];
    }

    /**
     * @param  list<Planned>  $planned
     *
     * @throws VersionConflict where somebody else was first with one of them
     * @throws ValidationException where one of them cannot be changed
     */
    private function demandAll(array $planned, BulkInput $input): void
    {
        $refused = array_filter($planned, static fn (Planned $each): bool => $each->refused !== null);
        if ($refused === []) {
            return;
        }
        $outdated = array_filter($refused, static fn (Planned $each): bool => $each->outdated);
        if ($outdated !== []) {
            throw new VersionConflict(array_values(array_map(static fn (Planned $each): OutdatedEventData => new OutdatedEventData($each->id, $each->head->title ?? '', $each->head->version ?? 0), $outdated)));
        }
        $positions = array_flip(array_keys($input->events()));
        throw ValidationException::withMessages(collect($refused)->mapWithKeys(static fn (Planned $each): array => ["events.{$positions[$each->id]}".($each->newCategories === [] ? '' : '.newCategories') => (string) $each->refused])->all());
    }
}
