<?php

namespace App\Sources;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Directory\SubjectNames;
use App\Jobs\JobOutcome;
use App\Jobs\JobRun;
use App\Jobs\Work;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Time\Zone;

/** Looks what is at an address, for somebody who thinks of subscribing to it. */
final class LookAtAddress implements Work
{
    /** So many of its events are shown. */
    private const SHOWN = 8;

    public function __construct(private readonly CurrentViewer $viewer, private readonly FirstFetch $first, private readonly SourceReader $reader)
    {
    }

    public function carryOut(JobRun $run): JobOutcome
    {
        try {
            [$url, $document] = $this->first->fetch($run->input);
            if ($document->isPacked()) {
                return $this->kept($document);
            }
            $read = $this->reader->read($document, $run->input['terms'] ?? [], Zone::of($this->viewer->person()->timezone), new NothingKnown);
            $count = $read->plan->counts()['added'];
            $events = $this->next($read);
        } catch (FetchFailed $problem) {
            throw ValidationException::withMessages(['url' => $problem->getMessage()]);
        }

        return new JobOutcome(found: [
            'url' => $url,
            'name' => $read->name,
            'kind' => $read->kind->value,
            'count' => $count,
            'events' => $events,
            'ownMinutes' => $read->ownMinutes,
            'subscribed' => $this->subscribed($url),
        ]);
    }

    /** What an office program has packed is opened in the browser, and brought in once. */
    private function kept(FetchedDocument $document): JobOutcome
    {
        $path = JobOutcome::FILES.'/'.Str::uuid()->toString();
        assert($document->stream !== null);
        rewind($document->stream);
        Storage::writeStream($path, $document->stream);

        return new JobOutcome(file: $path);
    }

    /** @return list<EventAtAddressData> those that are still to come first, else the last that were */
    private function next(ReadSource $read): array
    {
        $now = now()->getTimestamp();
        $coming = $gone = [];
        foreach ($read->plan as $planned) {
            $event = $planned->series->events()[0];
            $this->insert($event, $event->timing->start->indexSeconds() >= $now || $event->timing->repeats(), $coming, $gone);
        }

        return array_map(EventAtAddressData::of(...), $coming === [] ? array_reverse($gone) : $coming);
    }

    /**
     * @param  list<Event>  $coming  by start
     * @param  list<Event>  $gone  the last first
     */
    private function insert(Event $event, bool $isComing, array &$coming, array &$gone): void
    {
        $start = static fn (Event $each): int => $each->timing->start->indexSeconds();
        if ($isComing) {
            $coming[] = $event;
            usort($coming, static fn (Event $a, Event $b): int => $start($a) <=> $start($b));
            $coming = array_slice($coming, 0, self::SHOWN);
        } else {
            $gone[] = $event;
            usort($gone, static fn (Event $a, Event $b): int => $start($b) <=> $start($a));
            $gone = array_slice($gone, 0, self::SHOWN);
        }
    }

    /** @return list<SubscribedAlreadyData> calendars that the viewer sees and that have the address already */
    private function subscribed(string $url): array
    {
        $seen = $this->viewer->calendars()->filter(static fn (AccessibleCalendar $each): bool => $each->level()->includes(Level::See))->keys();
        $sources = Source::query()->where('url', $url)->whereIn('calendar_id', $seen)->with('calendar')->limit(5)->get();
        $names = new SubjectNames($sources->map(static fn (Source $each) => $each->calendar->keeper()));

        return $sources->map(static fn (Source $each): SubscribedAlreadyData => new SubscribedAlreadyData($each->calendar->slug, $each->calendar->name, $names->of($each->calendar->keeper())))->all();
    }
}
