<?php

namespace App\Directory;

use App\Access\AccessRequest;
use App\Access\Audience;
use App\Access\GrantRecord;
use App\Access\Invitation;
use App\Calendars\Calendar;
use App\Calendars\CalendarChanges;
use App\ChangeLog\ChangeLog;
use App\Changes\Change;
use App\Feeds\Feed;
use App\Overlays\Overlay;
use App\Pins\Pin;
use App\Publishing\Publication;
use App\Sources\SourcePin;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;

/** What happens when somebody goes: all that they keep is handed over, nothing is left alone. */
final class Departure
{
    public function __construct(private readonly CalendarChanges $calendars, private readonly Devices $devices, private readonly Audience $audience)
    {
    }

    public function kept(Person $person): KeptData
    {
        $tell = static fn (Calendar|Overlay $each): KeptThingData => new KeptThingData($each->slug, $each->name);

        return new KeptData(
            $this->keptBy(Calendar::query(), $person, 'own_of')->get()->map($tell)->all(),
            $this->keptBy(Overlay::query(), $person, 'home_of')->get()->map($tell)->all(),
            $this->feeds($person)->with(['calendar', 'overlay'])->get()->map(static fn (Feed $feed): KeptFeedData => new KeptFeedData($feed->id, $feed->name, $feed->subjectName()))->all(),
            $this->publications($person)->orderBy('name')->pluck('name')->all(),
            SourcePin::query()->where('pinned_by', $person->id)->with(['source.calendar', 'calendar'])->get()
                ->map(static fn (SourcePin $pin): string => "{$pin->source->calendar->name}, on {$pin->calendar->name}")->sort()->values()->all(),
        );
    }

    /**
     * @param  list<array{what: string, slug: string, kind: string, id: int|string}>  $handovers  who keeps each thing from now on
     * @param  ?int  $feeds  the person under whose name feed links, pages and pinned sources go on; without one they end
     *
     * @throws ValidationException where something that they keep has nobody to go to
     */
    public function depart(Person $person, array $handovers, ?int $feeds, Person $by): void
    {
        $to = collect($handovers)->keyBy(fn (array $each): string => "{$each['what']} {$each['slug']}");
        $left = [];
        foreach (['calendar' => $this->keptBy(Calendar::query(), $person, 'own_of')->get(), 'overlay' => $this->keptBy(Overlay::query(), $person, 'home_of')->get()] as $what => $all) {
            foreach ($all as $kept) {
                $chosen = $to->get("{$what} {$kept->slug}");
                if ($chosen === null || ($chosen['kind'] === 'person' && (int) $chosen['id'] === $person->id)) {
                    $left[] = $kept->name;

                    continue;
                }
                $keeper = Subjects::find($chosen['kind'], (int) $chosen['id']);
                $kept instanceof Calendar
                    ? $this->calendars->handOver($kept, $keeper, $by, Level::None)
                    : $kept->update(['keeper_kind' => $keeper->kind, 'keeper_id' => $keeper->id, 'version' => $kept->version + 1]);
            }
        }
        if ($left !== []) {
            throw ValidationException::withMessages(['handovers' => 'Say who keeps '.implode(', ', array_map(static fn (string $name): string => "“{$name}”", $left)).' from now on.']);
        }
        $heir = $feeds === null ? null : (int) Subjects::find('person', $feeds)->id;
        $this->feeds($person)->update($heir === null ? ['revoked_at' => now()] : ['created_by' => $heir]);
        // What they have made for themselves ends with their access.
        Feed::standing()->where('created_by', $person->id)->where('personal', true)->update(['revoked_at' => now()]);
        $this->publications($person)->update($heir === null ? ['ended_at' => now()] : ['published_by' => $heir, 'version' => DB::raw('version + 1')]);
        if ($heir !== null) {
            $this->pinsGoOn($person, $heir);
        }
        GrantRecord::query()->where('subject_kind', SubjectKind::Person)->where('subject_id', $person->id)->delete();
        Invitation::query()->where('person_id', $person->id)->delete();
        AccessRequest::query()->where('person_id', $person->id)->whereNull('decided_at')->delete();
        $person->groups()->detach();
        $this->status($person, 'left', $by);
    }

    /** Lets somebody in or keeps them out; who is kept out is so from the next request on, on every device. */
    public function status(Person $person, string $status, Person $by): void
    {
        $before = $person->status;
        $person->update(['status' => $status]);
        if ($status !== 'active') {
            $this->devices->end($person);
        }
        ChangeLog::person($person, $by, ['status' => $before], ['status' => $status]);
        Change::ofAccess($this->audience->withAdministrators([$person->id]));
    }

    /** What they have pinned as a whole shows as far as its heir sees it. */
    private function pinsGoOn(Person $person, int $heir): void
    {
        $pins = SourcePin::query()->where('pinned_by', $person->id)->get();
        SourcePin::query()->whereKey($pins->modelKeys())->update(['pinned_by' => $heir]);
        Pin::query()->whereIn('source_pin_id', $pins->modelKeys())->update(['pinned_by' => $heir]);
        foreach ($pins as $pin) {
            Change::of($pin->calendar_id);
        }
    }

    /** @return Builder<Publication> */
    private function publications(Person $person): Builder
    {
        return Publication::query()->where('published_by', $person->id)->whereNull('ended_at');
    }

    /** @return Builder<Feed> */
    private function feeds(Person $person): Builder
    {
        return Feed::standing()->where('created_by', $person->id)->where('personal', false);
    }

    /**
     * What they keep, but for what is theirs alone: that goes with them.
     *
     * @template T of Calendar|Overlay
     *
     * @param  Builder<T>  $query
     * @param  'own_of'|'home_of'  $own  the column that says whose alone it is
     * @return Builder<T>
     */
    private function keptBy(Builder $query, Person $person, string $own): Builder
    {
        return $query->where('keeper_kind', SubjectKind::Person)->where('keeper_id', $person->id)
            ->where(static fn (Builder $others) => $others->whereNull($own)->orWhere($own, '!=', $person->id))->orderBy('name');
    }
}
