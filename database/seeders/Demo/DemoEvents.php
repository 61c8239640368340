<?php

namespace Database\Seeders\Demo;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\AddSeries;
use App\Events\Write\OperationKind;
use Illuminate\Support\Str;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\ICalendar\ForeignContent;
use PinnedRota\Core\ICalendar\Property;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** Some 3,000 events from half a year ago to half a year on, the same for every day they are laid on. */
final class DemoEvents
{
    private const WEEKS_BACK = 26;

    private const WEEKS_AHEAD = 28;

    private int $monday;

    private Zone $zone;

    /** @var array<string, list<AddSeries>> by who adds them */
    private array $added = [];

    /**
     * @param  array<string, Calendar>  $calendars
     * @param  array<string, Person>  $people
     */
    public function __construct(private readonly ChangeEvents $changes, private readonly array $calendars, private readonly array $people)
    {
        $this->zone = Zone::of('Europe/London');
        $today = CivilDate::floorDiv($this->zone->toLocal(now()->getTimestamp()), CivilDate::SECONDS_PER_DAY);
        $this->monday = $today - CivilDate::weekday($today);
    }

    public function lay(): void
    {
        mt_srand(1862);
        $this->schoolDays();
        $this->timetables();
        $this->assessments();
        $this->workshops();
        $this->bookings();
        $this->away();
        $this->occasions();
        $this->awkward();
        foreach ($this->added as $by => $commands) {
            $this->changes->carryOut(Actor::person($this->people[$by]), Cause::Script, OperationKind::Add, $commands);
        }
    }

    /**
     * The terms by which its weeks are named: what the organisation decides, with the closures that are in School days.
     *
     * @return array{schoolYear: array<string, mixed>, closures: int, firstMonth: int}
     */
    public function schoolYear(): array
    {
        $date = fn (int $week, int $weekday): string => LocalDateTime::midnight($this->monday + 7 * $week + $weekday)->toDate();
        $term = static fn (string $name, int $first, int $last, int $half): array => ['name' => $name, 'from' => $date($first, 0), 'to' => $date($last, 4), 'halfTerms' => [['name' => 'Half-term', 'from' => $date($half, 0), 'to' => $date($half, 4)]]];
        $terms = [$term('Summer', -30, -10, -20), $term('Autumn', -7, 4, -4), $term('Spring', 7, 19, 13)];

        return ['schoolYear' => ['terms' => $terms, 'alternates' => true, 'halfTermCounts' => false], 'closures' => $this->calendars['School days']->id, 'firstMonth' => 9];
    }

    private function schoolDays(): void
    {
        foreach ([-20 => 'Half-term', -4 => 'Half-term', -9 => 'Summer closure', -8 => 'Summer closure', 5 => 'Winter closure', 6 => 'Winter closure', 13 => 'Half-term', 20 => 'Spring closure'] as $week => $title) {
            $this->add('School days', $title, [$week, 0], null, days: 5, categories: ['closed']);
        }
        $this->add('School days', 'Works day, school closed', [1, 4], null, categories: ['closed'], description: 'The slip winch is overhauled; nobody on the quay.');
        $this->add('School days', 'Works day, school closed', [-6, 2], null, categories: ['closed']);
        foreach (range(-24, 26, 4) as $week) {
            $this->add('School days', 'Whole-school briefing', [$week, 0], '8:45', 45, place: 'Boat hall', categories: ['meeting']);
            $this->add('School days', 'Reports due', [$week + 2, 4], null);
        }
    }

    private function timetables(): void
    {
        $lessons = ['Keel year' => ['Hand tools', 'Lines and lofting', 'Timber', 'Knots and splices', 'Boat handling'], 'Frame year' => ['Steaming and bending', 'Planking', 'Spar making', 'Sail repair', 'Pilotage'], 'Launch year' => ['Fitting out', 'Survey', 'Standing rigging', 'Business of a yard', 'Sea time']];
        $places = ['Joinery shop', 'Drawing loft', 'Long loft', 'Sail loft', 'Chart room'];
        foreach ($lessons as $cohort => $titles) {
            foreach ($titles as $day => $title) {
                $this->weekly($cohort, $title, [-self::WEEKS_BACK, $day], '9:00', 150, $places[$day], ['lesson']);
                $this->weekly($cohort, $titles[($day + 2) % 5].', practical', [-self::WEEKS_BACK, $day], '13:00', 180, $places[($day + 2) % 5], ['lesson']);
            }
        }
    }

    private function assessments(): void
    {
        $subjects = ['Knots and splices', 'Tool care', 'Lofting paper', 'Caulking', 'Oar test', 'Scarf joints', 'Rope theory', 'Spiling practice', 'Chart work', 'Sail theory', 'Rigging test', 'Plank fitting', 'Winch safety', 'Survey report'];
        $cohorts = ['Keel year', 'Frame year', 'Launch year'];
        for ($week = -self::WEEKS_BACK; $week < self::WEEKS_AHEAD; $week++) {
            foreach (range(1, mt_rand(3, 6)) as $number) {
                $this->add('Assessments', $subjects[mt_rand(0, 13)], [$week, mt_rand(0, 4)], ['9:00', '9:30', '10:00', '11:00', '13:30', '14:00'][mt_rand(0, 5)], [60, 90, 120][mt_rand(0, 2)],
                    place: ['Long loft', 'Drawing loft', 'Joinery shop', 'Chart room'][mt_rand(0, 3)], categories: ['assessment'], status: $week > 4 && $number === 1 ? Status::Provisional : Status::Confirmed,
                    description: 'For '.$cohorts[mt_rand(0, 2)].'.', by: ['Oda Lindqvarn', 'Rufus Tamm', 'Tomas Wrexley', 'Lachlan Pereiro'][mt_rand(0, 3)]);
            }
        }
    }

    private function workshops(): void
    {
        $work = ['Joinery shop' => ['Plank steaming', 'Mast scarfing', 'Bench repair', 'Timber delivery', 'Glue-up'], 'Rigging loft' => ['Rigging bench', 'Wire splicing', 'Block overhaul', 'Mast dressing'], 'Sail loft' => ['Sail repair', 'Bolt-rope sewing', 'Cover fitting', 'Machine service']];
        $who = ['Joinery shop' => 'Oda Lindqvarn', 'Rigging loft' => 'Rufus Tamm', 'Sail loft' => 'Hana Brekspear'];
        for ($week = -self::WEEKS_BACK; $week < self::WEEKS_AHEAD; $week++) {
            foreach ($work as $calendar => $titles) {
                foreach (range(1, mt_rand(4, 7)) as $ignored) {
                    $this->add($calendar, $titles[array_rand($titles)], [$week, mt_rand(0, 4)], ['8:30', '9:00', '10:00', '13:00', '14:30'][mt_rand(0, 4)], [60, 120, 180][mt_rand(0, 2)], place: $calendar, categories: mt_rand(0, 5) === 0 ? ['maintenance'] : ['booking'], by: $who[$calendar]);
                }
            }
            foreach (range(1, 4) as $ignored) {
                $this->add('Seamanship', ['Rowing', 'Sailing, gig', 'Towing drill', 'Night watch'][mt_rand(0, 3)], [$week, mt_rand(0, 5)], ['7:30', '10:00', '14:00'][mt_rand(0, 2)], 150, place: 'Pontoon', categories: ['lesson'], by: 'Yusuf Calloway');
            }
        }
        $this->add('Joinery shop', 'Visiting shipwright', [0, 2], null, days: 2, place: 'Joinery shop', categories: ['visit'], by: 'Oda Lindqvarn');
    }

    private function bookings(): void
    {
        $staff = ['Colm Vasquellis', 'Yusuf Calloway', 'Greta Ondaatsen', 'Oda Lindqvarn', 'Rufus Tamm'];
        $uses = ['Slipway' => ['Haul out, gig 3', 'Antifouling', 'Launch rehearsal', 'Cradle check'], 'Safety boat' => ['Safety cover', 'Engine service', 'Crew training'], 'Steam box' => ['Steam box', 'Steam box, planks', 'Steam box, ribs'], 'Chart room' => ['Chart room', 'Pilotage group', 'Quiet study'], 'Van' => ['Timber run', 'Sail delivery', 'Student transport']];
        for ($week = -self::WEEKS_BACK; $week < self::WEEKS_AHEAD; $week++) {
            foreach ($uses as $calendar => $titles) {
                foreach (range(1, mt_rand(3, 6)) as $ignored) {
                    $this->add($calendar, $titles[array_rand($titles)], [$week, mt_rand(0, 4)], ['8:00', '10:00', '11:00', '13:00', '15:00'][mt_rand(0, 4)], [60, 120, 240][mt_rand(0, 2)], place: $calendar, categories: ['booking'], status: mt_rand(0, 6) === 0 ? Status::Provisional : Status::Confirmed, by: $staff[mt_rand(0, 4)]);
                }
            }
        }
    }

    private function away(): void
    {
        $staff = ['Ines Halloran', 'Oda Lindqvarn', 'Rufus Tamm', 'Hana Brekspear', 'Yusuf Calloway', 'Esi Marchetti', 'Noor Feldkamp', 'Leocadia Brandt'];
        for ($week = -self::WEEKS_BACK; $week < self::WEEKS_AHEAD; $week++) {
            foreach (range(1, mt_rand(2, 4)) as $ignored) {
                $name = $staff[mt_rand(0, 7)];
                $this->add('Staff away', "{$name} away", [$week, mt_rand(0, 4)], null, days: [1, 1, 2, 3][mt_rand(0, 3)], by: $name, private: mt_rand(0, 9) === 0);
            }
            if ($week % 2 === 0) {
                $this->add('Teaching cover', 'Cover: '.$staff[mt_rand(1, 6)], [$week, mt_rand(0, 4)], '9:00', 150, by: 'Ines Halloran');
            }
        }
        $this->add('Staff away', 'Ines Halloran away', [0, 0], null, days: 3, by: 'Ines Halloran');
    }

    private function occasions(): void
    {
        for ($week = -24; $week < self::WEEKS_AHEAD; $week += 3) {
            $this->add('Launches and open days', ['Gig launch', 'Open slip', 'Skiff naming', 'Open lofts'][mt_rand(0, 3)], [$week, 5], ['10:00', '11:20', '14:00'][mt_rand(0, 2)], 180, place: 'Slipway', categories: ['launch', 'public'], description: 'Everybody is welcome. Tea in the boat hall afterwards.');
            $this->add('Visits', ['Yard visit', 'School party', 'Timber merchant', 'Inspection'][mt_rand(0, 3)], [$week + 1, 2], '14:00', 90, place: 'Boat hall', categories: ['visit']);
            $this->add('Volunteers', 'Quay clean-up', [$week, 6], '10:00', 120, categories: ['public']);
        }
        $this->weekly('Term council', 'Term council', [-24, 3], '18:00', 90, 'Boat hall', ['meeting'], 'FREQ=WEEKLY;INTERVAL=2;BYDAY=TH');
        $this->weekly('Staff meetings', 'Staff meeting', [-26, 0], '16:15', 45, 'Chart room', ['meeting']);
        $this->weekly('Staff meetings', 'Yard round', [-26, 4], '8:15', 15, 'Quay', ['meeting'], 'FREQ=WEEKLY;BYDAY=MO,WE,FR');
        $this->weekly('Safety drills', 'Man-overboard drill', [-24, 1], '11:30', 45, 'Pontoon', ['safety'], 'FREQ=MONTHLY;BYDAY=2TU');
        $this->weekly('Safety drills', 'Fire drill', [-22, 4], '10:45', 15, 'Quay', ['safety'], 'FREQ=MONTHLY;BYDAY=-1FR');
        $this->add('Launches and open days', 'Rope walk, public', [0, 4], '15:00', 90, place: 'Long loft', categories: ['public']);
    }

    /** What tries a calendar: see also the closed day with an assessment on it. */
    private function awkward(): void
    {
        $this->add('Assessments', 'Spiling practice', [1, 4], '9:00', 120, place: 'Joinery shop', categories: ['assessment'], by: 'Rufus Tamm', description: 'Falls on the works day.');
        foreach (['Lofting paper' => '9:00', 'Caulking' => '11:00', 'Oar test' => '14:00'] as $title => $time) {
            $this->add('Assessments', $title, [0, 3], $time, 90, place: 'Drawing loft', categories: ['assessment'], by: 'Oda Lindqvarn', description: 'For Keel year.');
        }
        $this->add('Steam box', 'Steam box, planks', [1, 1], '10:00', 120, categories: ['booking'], by: 'Oda Lindqvarn');
        $this->add('Steam box', 'Steam box, ribs', [1, 1], '10:00', 120, categories: ['booking'], status: Status::Provisional, by: 'Rufus Tamm');
        $this->add('Staff away', 'Hospital appointment', [0, 1], '14:00', 120, by: 'Rufus Tamm', private: true);
        $this->add('Seamanship', 'Night passage', [0, 4], '21:30', 600, place: 'Harbour', categories: ['lesson'], by: 'Greta Ondaatsen');
        $this->add('Slipway', 'Tide watch', [0, 2], '12:00', 0, place: 'Slip gauge', by: 'Colm Vasquellis');
        $this->add('Visits', 'Boat show, Lisbon', [2, 1], '9:00', 480, zone: 'Europe/Lisbon', categories: ['visit']);
        $this->addOn('Visits', 'Call with the yard in New York', $this->time($this->monday + 9, '10:00', 'America/New_York'), 3600, [
            'categories' => ['visit'],
            'foreign' => new ForeignContent([new Property('CONFERENCE', 'https://meet.example.org/new-york-yard', ['VALUE' => ['URI'], 'FEATURE' => ['AUDIO', 'VIDEO'], 'LABEL' => ['The yard’s room']])]),
        ]);
        $this->addOn('Visits', 'Crossing to the yard in Bergen', $this->time($this->monday + 17, '7:40', 'Europe/London'), 8 * 3600, ['categories' => ['visit'], 'endsIn' => Zone::of('Europe/Oslo')]);
        $this->add('School days', 'Inspection cancelled', [1, 0], '9:00', 60, status: Status::Cancelled);
        $this->add('Staff meetings', 'Budget round', [1, 3], '15:00', 60, place: 'Chart room', categories: ['meeting'], by: 'Priya Oyelund', asked: ['Ines Halloran', 'Bertil Acheng']);
        foreach ($this->clockChanges() as $day) {
            $this->addOn('Seamanship', 'Anchor watch over the clock change', EventTime::zoned(new LocalDateTime(($day - 1) * CivilDate::SECONDS_PER_DAY + 22 * 3600), $this->zone), 10 * 3600, ['categories' => ['lesson']]);
        }
    }

    /** @return list<int> the days of the clock changes nearest to today */
    private function clockChanges(): array
    {
        $now = now()->getTimestamp();
        $changes = $this->zone->changes($now - 300 * 86400, $now + 300 * 86400);

        return array_map(static fn (array $change): int => intdiv($change['at'], 86400), $changes);
    }

    /**
     * @param  array{int, int}  $on  weeks from this week, weekday (0 is Monday)
     * @param  ?string  $at  time of day; null for all day
     * @param  list<string>  $categories
     * @param  list<string>  $asked  people who are to take part and have not answered
     */
    private function add(string $calendar, string $title, array $on, ?string $at, int $minutes = 60, int $days = 1, string $place = '', array $categories = [], Status $status = Status::Confirmed, string $description = '', string $by = 'Ines Halloran', bool $private = false, string $zone = 'Europe/London', array $asked = []): void
    {
        $day = $this->monday + $on[0] * 7 + $on[1];
        $more = ['place' => $place, 'categories' => $categories, 'status' => $status, 'description' => $description, 'private' => $private, 'participants' => $this->participants($calendar, $by, $asked)];
        $this->addOn($calendar, $title, $this->time($day, $at, $zone), $at === null ? $days * CivilDate::SECONDS_PER_DAY : $minutes * 60, $more, $by);
    }

    /**
     * @param  array{int, int}  $on
     * @param  list<string>  $categories
     */
    private function weekly(string $calendar, string $title, array $on, string $at, int $minutes, string $place, array $categories, string $rule = 'FREQ=WEEKLY'): void
    {
        $this->addOn($calendar, $title, $this->time($this->monday + $on[0] * 7 + $on[1], $at, 'Europe/London'), $minutes * 60, [
            'place' => $place, 'categories' => $categories, 'recurrence' => new RecurrenceSet([(new RuleParser)->parse($rule)]),
        ]);
    }

    /**
     * Who adds an event of teaching or of the yard is responsible for it, and who is away for being so.
     *
     * @param  list<string>  $asked
     * @return list<Participant>
     */
    private function participants(string $calendar, string $by, array $asked): array
    {
        $is = fn (string $name, ParticipantRole $role): Participant => Participant::ofPerson($this->people[$name]->id, $this->people[$name]->email, $name, $role);

        return [
            ...($by === 'Ines Halloran' && $calendar !== 'Staff away' ? [] : [$is($by, ParticipantRole::Responsible)]),
            ...array_map(fn (string $name): Participant => $is($name, ParticipantRole::Required), $asked),
        ];
    }

    private function time(int $day, ?string $at, string $zone): EventTime
    {
        if ($at === null) {
            return EventTime::date(LocalDateTime::midnight($day));
        }
        [$hour, $minute] = array_map(intval(...), explode(':', $at));

        return EventTime::zoned(new LocalDateTime($day * CivilDate::SECONDS_PER_DAY + $hour * 3600 + $minute * 60), Zone::of($zone));
    }

    /** @param  array<string, mixed>  $more further arguments of its contents, who takes part, how it repeats, in which zone it ends, what its file said */
    private function addOn(string $calendar, string $title, EventTime $start, int $seconds, array $more = [], string $by = 'Ines Halloran'): void
    {
        $contents = array_diff_key($more, ['participants' => true, 'recurrence' => true, 'foreign' => true, 'endsIn' => true]);
        $end = $start->plusExactSeconds($seconds);
        $this->added[$by][] = new AddSeries($this->calendars[$calendar]->id, new Series(new Event(
            uid: Str::uuid()->toString(),
            timing: EventTiming::between($start, isset($more['endsIn']) ? $end->inZone($more['endsIn']) : $end, $more['recurrence'] ?? new RecurrenceSet),
            contents: new EventContents(...['title' => $title] + $contents),
            participants: $more['participants'] ?? [],
            foreign: $more['foreign'] ?? new ForeignContent,
        )));
    }
}
