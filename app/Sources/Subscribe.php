<?php

namespace App\Sources;

use App\Access\CurrentViewer;
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
    public function __construct(private readonly CurrentViewer $viewer, private readonly FirstFetch $first, private readonly SourceRefresher $refresher)
    {
    }

    public function carryOut(JobRun $run): JobOutcome
    {
        try {
            [$url, $document] = $this->first->fetch($run->input);
            $run->progress->demandWanted();

            return $run->finish(function () use ($run, $url, $document): JobOutcome {
                $source = $this->source(['url' => $url] + $run->input);
                $refresh = $this->refresher->take($source, $document, $run->progress->at(...));
                Change::ofAccess([$this->viewer->person()->id]);

                return new JobOutcome(counts: $refresh->counts, calendar: $source->calendar->slug);
            });
        } catch (FetchFailed $problem) {
            throw ValidationException::withMessages(['url' => $problem->getMessage()]);
        }
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
