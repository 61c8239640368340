<?php

namespace App\Sources;

use App\Access\CurrentViewer;
use App\Calendars\Calendar;
use App\Changes\Change;
use App\Jobs\JobOutcome;
use App\Jobs\JobRun;
use App\Jobs\Work;
use App\Organisation\Organisation;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\ICalendar\NotICalendar;

/** Subscribes to an outside address, if there is a calendar at it: a new one of ours, with all that is there. */
final class Subscribe implements Work
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly Fetcher $fetcher, private readonly SourceRefresher $refresher, private readonly Organisation $organisation)
    {
    }

    public function carryOut(JobRun $run): JobOutcome
    {
        try {
            [$url, $document] = $this->fetch($run->input['url'], $run->input['plain'] ?? null);
            $run->progress->demandWanted();

            return $run->finish(function () use ($run, $url, $document): JobOutcome {
                $source = $this->source(['url' => $url] + $run->input);
                $refresh = $this->refresher->take($source, $document, $run->progress->at(...));
                Change::ofAccess([$this->viewer->person()->id]);

                return new JobOutcome(counts: $refresh->counts, calendar: $source->calendar->slug);
            });
        } catch (FetchFailed $problem) {
            throw ValidationException::withMessages(['url' => $problem->getMessage()]);
        } catch (NotICalendar) {
            throw ValidationException::withMessages(['url' => 'What this address answers with is not an iCalendar document.']);
        }
    }

    /**
     * @param  ?string  $plain  the same without encryption, where the address does not say how it is fetched
     * @return array{string, FetchedDocument} the address that answered, and with what
     *
     * @throws FetchFailed
     */
    private function fetch(string $url, ?string $plain): array
    {
        try {
            return [$url, $this->fetcher->fetch($url)];
        } catch (FetchFailed $problem) {
            if ($plain === null || ! $this->organisation->settings()->plainHttp) {
                throw $problem;
            }

            return [$plain, $this->fetcher->fetch($plain)];
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
            'created_by' => $person->id,
        ])->load('calendar');
    }
}
