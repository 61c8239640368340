<?php

namespace App\Bulk;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Calendars\CategoryNames;
use App\Directory\Group;
use App\Directory\Person;
use App\Events\TargetCalendar;
use App\Organisation\Organisation;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Events\BulkChange;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\SeriesMove;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\OneLine\Names;
use PinnedRota\Core\OneLine\WhenText;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** Reads the cells of one row, as they are typed or pasted, as a change of its event. */
final class Cells
{
    /** @var array<string, Participant> who was found, by lower-case name: a column names the same ones again and again */
    private array $named = [];

    /** Of all who can be responsible, once a name is not known. */
    private ?Names $everybody = null;

    /** @var array<int, Names> of the categories of a calendar, once one is not known */
    private array $categoriesOf = [];

    public function __construct(private readonly CurrentViewer $viewer, private readonly TargetCalendar $targets, private readonly CategoryNames $categoryNames, private readonly Organisation $organisation)
    {
    }

    /**
     * The series with all of its times as the cells say; when they are is read by `moved`.
     *
     * @param  array<string, string>  $cells  texts by column
     *
     * @throws ValidationException with the column, where a text is none that can be there
     */
    public function contents(array $cells, Series $series): Series
    {
        if ($cells === []) {
            return $series;
        }
        $event = $series->master ?? $series->overrides[0];

        return (new BulkChange(
            title: isset($cells['title']) ? $this->title($cells['title']) : null,
            place: isset($cells['place']) ? $this->short('place', $cells['place'], 500) : null,
            status: isset($cells['status']) ? $this->status($cells['status']) : null,
            addCategories: isset($cells['categories']) ? $this->categories($cells['categories']) : [],
            dropCategories: isset($cells['categories']) ? $event->contents->categories : [],
            addParticipants: isset($cells['responsible']) ? $this->people($cells['responsible']) : [],
            dropParticipants: isset($cells['responsible']) ? array_values(array_filter($event->participants, static fn (Participant $each): bool => $each->role === ParticipantRole::Responsible)) : [],
        ))->apply($series);
    }

    /** @throws ValidationException where there is no such calendar to add to */
    public function target(string $name): AccessibleCalendar
    {
        $named = $this->viewer->calendars()->first(fn (AccessibleCalendar $each): bool => mb_strtolower($each->calendar->name) === mb_strtolower($name) || $each->calendar->slug === $name);

        return $this->targets->named($named?->calendar->slug ?? '');
    }

    /**
     * @param  Zone  $wall  on whose wall times are typed
     * @return array{Series, ?Series} the series, and what of it is a series of its own from then on
     *
     * @throws ValidationException where the cell “when” is none, or means times that cannot be moved there
     */
    public function moved(BulkEvent $asked, Series $series, Zone $wall): array
    {
        $text = $asked->cells['when'] ?? null;
        if ($text === null) {
            return [$series, null];
        }
        $now = new LocalDateTime($wall->toLocal(now()->getTimestamp()));
        try {
            return SeriesMove::by($series, $asked->occurrence, $asked->times, fn (EventTime $start, EventTime $end): array => WhenText::read($text, $start, $end, $wall, $now, $this->organisation->settings()->habits), Str::uuid()->toString());
        } catch (InvalidTime|InvalidRule $problem) {
            throw ValidationException::withMessages(['when' => $problem->getMessage()]);
        }
    }

    /**
     * @param  array<string, string>  $cells
     * @return list<string> categories that neither the calendar nor the organisation has
     */
    public function newCategories(array $cells, AccessibleCalendar $calendar): array
    {
        return isset($cells['categories']) ? $this->categoryNames->unknown($calendar->calendar->id, $this->categories($cells['categories'])) : [];
    }

    /**
     * @param  non-empty-list<string>  $names  of new categories
     * @return string that they are, and what may have been meant
     */
    public function areNew(array $names, AccessibleCalendar $calendar): string
    {
        $known = $this->categoriesOf[$calendar->calendar->id] ??= new Names($this->categoryNames->known($calendar->calendar->id));
        $near = array_values(array_filter(array_map($known->near(...), $names)));

        return '“'.implode('”, “', $names).'” '.(count($names) === 1 ? 'is no category' : 'are no categories').' here yet.'.($near === [] ? '' : ' Did you mean “'.implode('”, “', $near).'”?');
    }

    private function title(string $text): string
    {
        return $text === '' ? throw ValidationException::withMessages(['title' => 'Give the event a title.']) : $this->short('title', $text, 500);
    }

    private function short(string $column, string $text, int $most): string
    {
        return mb_strlen($text) > $most ? throw ValidationException::withMessages([$column => "This has at most {$most} characters."]) : $text;
    }

    private function status(string $text): Status
    {
        return Status::tryFrom(mb_strtolower($text)) ?? throw ValidationException::withMessages(['status' => "“{$text}” is no state: an event is confirmed, provisional or cancelled."]);
    }

    /** @return list<string> */
    private function categories(string $text): array
    {
        $names = array_values(array_unique(array_filter(array_map(trim(...), explode(',', $text)), static fn (string $name): bool => $name !== '')));
        if (count($names) > 20) {
            throw ValidationException::withMessages(['categories' => 'An event has at most 20 categories.']);
        }

        return array_map(fn (string $name): string => $this->short('categories', $name, 80), $names);
    }

    /** @return list<Participant> people and groups */
    private function people(string $text): array
    {
        $names = array_filter(array_map(trim(...), explode(',', $text)), static fn (string $name): bool => $name !== '');

        return array_values(array_map(fn (string $name): Participant => $this->named[mb_strtolower($name)] ??= $this->responsible($name), $names));
    }

    private function responsible(string $name): Participant
    {
        $found = Person::query()->where('status', 'active')->where('name', $name)->limit(2)->get();
        if ($found->isEmpty()) {
            $group = Group::query()->where('name', $name)->first();
            if ($group !== null) {
                return Participant::ofGroup($group->id, $group->name, ParticipantRole::Responsible);
            }
            $found = Person::searched($name)->where('status', 'active')->limit(2)->get();
        }
        if ($found->count() === 1) {
            return Participant::ofPerson($found[0]->id, $found[0]->email, $found[0]->name, ParticipantRole::Responsible);
        }
        $near = $found->isEmpty() ? ($this->everybody ??= new Names([...Person::query()->where('status', 'active')->pluck('name'), ...Group::query()->pluck('name')]))->near($name) : null;
        throw ValidationException::withMessages(['responsible' => match (true) {
            $near !== null => "Nobody is called “{$name}”. Did you mean “{$near}”?",
            $found->isEmpty() => "Nobody is called “{$name}”.",
            default => "Several people are called “{$name}”: give the whole name.",
        }]);
    }
}
