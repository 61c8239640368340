<?php

namespace App\Sources;

use App\Access\CurrentViewer;
use App\Access\Sharing;
use App\Calendars\Calendar;
use App\Changes\Change;
use App\Jobs\JobOutcome;
use App\Jobs\JobRun;
use App\Jobs\Work;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Access\SubjectKind;

/** Subscribes to an outside address, if there are events at it: a new calendar of ours, with all that is there. */
final class Subscribe implements Work
{
    public function __construct(
        private readonly CurrentViewer $viewer,
        private readonly FirstFetch $first,
        private readonly SourceRefresher $refresher,
        private readonly PinnableSource $pinnable,
        private readonly SourcePinning $pinning,
        private readonly Sharing $sharing,
    ) {
    }

    public function carryOut(JobRun $run): JobOutcome
    {
        try {
            [$url, $document] = $this->first->fetch($run->input);
            $run->progress->demandWanted();

            return $run->finish(function () use ($run, $url, $document): JobOutcome {
                $source = $this->source(['url' => $url] + $run->input);
                $refresh = $this->refresher->take($source, $document, $run->progress->at(...));
                if (isset($run->input['pinTo'])) {
                    $this->pinTo($source, $run->input['pinTo']);
                }
                Change::ofAccess([$this->viewer->person()->id]);

                return new JobOutcome(counts: $refresh->counts, calendar: $source->calendar->slug);
            });
        } catch (FetchFailed $problem) {
            throw ValidationException::withMessages(['url' => $problem->getMessage()]);
        }
    }

    /** It is looked at where it is pinned, not on a list beside that. */
    private function pinTo(Source $source, string $slug): void
    {
        $this->pinning->pin($source, $this->pinnable->target($slug, 'pinTo'), $this->viewer->person());
        $this->sharing->choose($source->calendar, $this->viewer->person(), false);
    }

    /** @param  array<string, mixed>  $input */
    private function source(array $input): Source
    {
        $person = $this->viewer->person();
        $calendar = Calendar::query()->create([
            'slug' => Calendar::newSlug($input['name']),
            'name' => $input['name'],
            'colour' => $input['colour'],
            'mark' => $input['mark'],
            'timezone' => $person->timezone,
            'keeper_kind' => SubjectKind::Person,
            'keeper_id' => $person->id,
            'created_by' => $person->id,
        ]);

        return Source::query()->create([
            'calendar_id' => $calendar->id,
            'url' => $input['url'],
            'refresh_minutes' => (int) config('rota.sources.refresh_minutes'),
            'sign_in' => SignIn::opened($input['signIn'] ?? null)?->kept(),
            'terms' => ($input['terms'] ?? []) ?: null,
            'created_by' => $person->id,
        ])->load('calendar');
    }
}
