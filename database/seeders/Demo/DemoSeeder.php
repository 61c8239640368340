<?php

namespace Database\Seeders\Demo;

use App\Access\Sharing;
use App\Calendars\Calendar;
use App\Directory\OwnThings;
use App\Directory\Person;
use App\Events\EventTranslator;
use App\Events\Write\ChangeEvents;
use App\Jobs\BackgroundJob;
use App\Jobs\JobKind;
use App\Jobs\JobState;
use App\Jobs\RunJob;
use App\Organisation\Organisation;
use App\Overlays\Overlay;
use App\Sources\Source;
use App\Sources\SourcePinning;
use App\Sources\SourceRefresher;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;

/** Fills an empty database with the demo school; does nothing where there are people already. */
final class DemoSeeder
{
    private const SOURCES = [
        'Tide table' => ['/harbour-office/tides.ics', 'pine', 'waves'],
        'Regatta league' => ['/regatta-league/fixtures.ics', 'plum', 'waves'],
        'Public holidays' => ['/region/holidays.ics', 'rose', 'star'],
        'Village' => ['/village', 'ochre', 'ring'],
        'Rowing club' => ['/rowing-club/races.ics', 'sea', 'triangle'],
        'Chandlers' => ['/switch/sales.ics?events=Autumn+sale,Rope+day,Oilskins+half+price', 'slate', 'square'],
    ];

    /** What is worth having, and why: the catalogue. */
    private const CATALOGUE = [
        'Tide table' => 'High water at Skerrin Quay, eight weeks ahead, from the harbour office.',
        'Public holidays' => 'Public holidays of the Norrend coast, this year and the next.',
        'Regatta league' => 'Races and regattas of the league, as the league has them.',
    ];

    private const OFF_LISTS = ['Public holidays', 'Village', 'Rowing club', 'Chandlers'];

    /** Where some of them are found later on: a far side that has lost most of what it had, and one that answers no more. */
    private const LATER = ['Rowing club' => '/rowing-club/races.ics?season=next', 'Chandlers' => '/faults/500'];

    public function __construct(
        private readonly ChangeEvents $changes,
        private readonly SourceRefresher $refresher,
        private readonly SourcePinning $pinning,
        private readonly Organisation $organisation,
        private readonly Sharing $sharing,
        private readonly EventTranslator $translator,
    ) {
    }

    /** @return bool whether anything was laid */
    public function lay(): bool
    {
        if (Person::query()->exists()) {
            return false;
        }
        [$calendars, $people] = DB::transaction(function (): array {
            ['people' => $people, 'groups' => $groups] = (new DemoPeople)->lay();
            $this->organisation->put(['name' => 'Skerrin Quay School of Boatbuilding', 'timezone' => 'Europe/London', 'frameSites' => DemoPublications::sites(), 'meetings' => config('rota.standins.url').'/meetings'], $people['Bertil Acheng']);
            $demo = new DemoCalendars;
            $calendars = $demo->lay($people, $groups);
            $sources = $this->sources($groups['Coordination']->id);
            // In the catalogue or of little use by now: they are looked after, and not looked at day by day.
            foreach (self::OFF_LISTS as $name) {
                foreach ($groups['Coordination']->people()->get() as $person) {
                    $this->sharing->choose($sources[$name], $person, false);
                }
            }
            $demo->layOverlay($calendars + $sources, $groups);
            $demo->layOverlayByKind($people['Ines Halloran']);
            // Ines has kept one for herself before.
            $calendars['Ines: own']->update(['own_of' => $people['Ines Halloran']->id]);
            foreach ($people as $person) {
                OwnThings::of($person);
            }
            $events = new DemoEvents($this->changes, $calendars, $people);
            $events->lay();
            $this->organisation->put($events->schoolYear(), $people['Bertil Acheng']);
            // To be looked at by who comes in as them: a parent, and who looks after admissions.
            $this->sharing->give($calendars['Keel year'], new Subject(SubjectKind::Person, $people['Rosalind Kjaer']->id), Level::See, $people['Ines Halloran']);
            $this->sharing->give($calendars['Ines: own'], new Subject(SubjectKind::Person, $people['Sunniva Okafor']->id), Level::BusyTimes, $people['Ines Halloran']);
            (new DemoPublications)->lay($people['Ines Halloran'], $calendars['Launches and open days'], Overlay::query()->where('slug', 'the-term-at-a-glance')->sole(), $calendars['Keel year']);
            (new DemoExtras($this->changes, $calendars, $people))->lay();
            (new DemoLetters($this->changes, $calendars, $people, $groups))->lay();

            return [$calendars, $people];
        });
        // Outside of the transaction: a source that cannot be reached now is fetched by the schedule later.
        Source::query()->with('calendar')->get()->each(function (Source $source): void {
            $this->refresher->refresh($source);
            if (isset(self::LATER[$source->calendar->name])) {
                $source->update(['url' => config('rota.standins.url').self::LATER[$source->calendar->name], 'etag' => null]);
                $this->refresher->refresh($source);
            }
        });
        // Holidays show where everybody looks for them.
        $this->pinning->pin(Source::query()->whereRelation('calendar', 'name', 'Public holidays')->with('calendar')->sole(), $calendars['School days'], $people['Ines Halloran']);
        (new DemoFollowing($this->changes, $calendars, $people))->lay();
        (new DemoTakingPart($this->changes, $calendars, $people))->lay();
        (new DemoNews($this->changes, $this->translator, $calendars, $people))->lay();
        app(DemoImports::class)->lay($calendars['Visits'], $people['Ines Halloran']);
        $this->askForAFile('Ines Halloran', 'assessments');

        return true;
    }

    /** One administrator and nothing else: how an organisation begins. */
    public function layEmpty(): bool
    {
        if (Person::query()->exists()) {
            return false;
        }
        Person::query()->create(['name' => 'Bertil Acheng', 'email' => 'bertil.acheng@skerrin-quay.example', 'password' => config('rota.demo.password'), 'timezone' => 'Europe/London', 'role' => 'administrator', 'status' => 'active', 'post' => 'Administrator']);

        return true;
    }

    /** Something that takes its time and was asked for: a worker writes it as soon as there is one. */
    private function askForAFile(string $person, string $calendar): void
    {
        RunJob::of(BackgroundJob::query()->create([
            'person_id' => Person::query()->where('name', $person)->sole()->id, 'kind' => JobKind::Export, 'title' => "{$calendar}.ics", 'input' => ['calendar' => $calendar],
            'calendar_id' => Calendar::query()->where('slug', $calendar)->sole()->id, 'state' => JobState::Waiting, 'queued_at' => now(),
        ]));
    }

    /** @return array<string, Calendar> by name */
    private function sources(int $keeper): array
    {
        $calendars = [];
        foreach (self::SOURCES as $name => [$path, $colour, $mark]) {
            $calendars[$name] = $calendar = Calendar::query()->create([
                'slug' => Str::slug($name), 'name' => $name, 'colour' => $colour, 'mark' => $mark, 'timezone' => 'Europe/London',
                'keeper_kind' => SubjectKind::Group, 'keeper_id' => $keeper, 'offered' => ! in_array($name, self::OFF_LISTS, true),
            ]);
            $calendar->newQuery()->getConnection()->table('grants')->insert([
                'on_kind' => 'calendar', 'on_id' => $calendar->id, 'subject_kind' => SubjectKind::Everyone->value, 'subject_id' => 0,
                'level' => 'see', 'created_at' => now(), 'updated_at' => now(),
            ]);
            Source::query()->create([
                'calendar_id' => $calendar->id, 'url' => config('rota.standins.url').$path,
                'refresh_minutes' => (int) config('rota.sources.refresh_minutes'), 'next_refresh_at' => now(),
                'catalogue' => self::CATALOGUE[$name] ?? null, 'terms' => $name === 'Village' ? ['follow' => true] : null,
            ]);
        }

        return $calendars;
    }
}
