<?php

namespace Database\Seeders\Demo;

use App\Access\GrantRecord;
use App\Calendars\Calendar;
use App\Calendars\Category;
use App\Directory\Group;
use App\Directory\Person;
use App\Overlays\LayerRecord;
use App\Overlays\Overlay;
use Illuminate\Support\Str;
use PinnedRota\Core\Access\SubjectKind;

/** The school's calendars, who has which level on them, its categories and its overlays. */
final class DemoCalendars
{
    /** name => [colour, mark, keeper, grants, description] */
    private const CALENDARS = [
        'School days' => ['sea', 'disc', 'Coordination', ['everyone' => 'see'], 'Term dates, closures and what concerns the whole school.'],
        'Assessments' => ['brick', 'triangle', 'Coordination', ['everyone' => 'see', 'Staff' => 'add'], 'Tests, papers and practical assessments of all cohorts.'],
        'Launches and open days' => ['plum', 'diamond', 'Coordination', ['everyone' => 'see'], 'What the public may come to.'],
        'Visits' => ['cobalt', 'star', 'Coordination', ['everyone' => 'see', 'Staff' => 'add'], 'Visitors, and visits to other yards.'],
        'Term council' => ['slate', 'ring', 'Coordination', ['Staff' => 'see'], ''],
        'Keel year' => ['pine', 'bars', 'Coordination', ['Keel year' => 'see', 'Staff' => 'change'], 'First year: timetable.'],
        'Frame year' => ['umber', 'bars', 'Coordination', ['Frame year' => 'see', 'Staff' => 'change'], 'Second year: timetable.'],
        'Launch year' => ['rose', 'bars', 'Coordination', ['Launch year' => 'see', 'Staff' => 'change'], 'Third year: timetable.'],
        'Joinery shop' => ['moss', 'square', 'Joinery', ['everyone' => 'see'], ''],
        'Rigging loft' => ['pine', 'square', 'Rigging', ['everyone' => 'see'], ''],
        'Sail loft' => ['cobalt', 'square', 'Sail loft', ['everyone' => 'see'], ''],
        'Seamanship' => ['sea', 'square', 'Seamanship', ['everyone' => 'see'], ''],
        'Slipway' => ['ochre', 'pentagon', 'Yard', ['everyone' => 'see', 'Staff' => 'add'], 'Bookings of the slip and its cradle.'],
        'Safety boat' => ['rose', 'pentagon', 'Yard', ['everyone' => 'see', 'Staff' => 'add'], ''],
        'Steam box' => ['umber', 'pentagon', 'Yard', ['everyone' => 'see', 'Staff' => 'add'], ''],
        'Chart room' => ['slate', 'pentagon', 'Yard', ['everyone' => 'see', 'Staff' => 'add'], ''],
        'Van' => ['moss', 'pentagon', 'Yard', ['Staff' => 'add'], ''],
        'Staff away' => ['cobalt', 'plus', 'Coordination', ['Staff' => 'add', 'everyone' => 'busy'], 'Leave, courses, illness.'],
        'Staff meetings' => ['slate', 'disc', 'Coordination', ['Staff' => 'see'], ''],
        'Safety drills' => ['brick', 'star', 'Yard', ['everyone' => 'see'], ''],
        'Teaching cover' => ['plum', 'triangle', 'Coordination', ['Staff' => 'change'], 'Who stands in for whom.'],
        'Volunteers' => ['ochre', 'diamond', 'Coordination', ['Volunteers' => 'add', 'Staff' => 'see'], ''],
        'Ines: own' => ['slate', 'diamond', 'Ines Halloran', [], ''],
    ];

    private const CATEGORIES = ['assessment', 'booking', 'closed', 'launch', 'lesson', 'maintenance', 'meeting', 'public', 'regatta', 'safety', 'tide', 'visit'];

    private const CATEGORY_COLOURS = ['assessment' => 'brick', 'closed' => 'slate', 'launch' => 'plum', 'public' => 'cobalt', 'safety' => 'rose', 'visit' => 'ochre'];

    private const LAYERS = [
        ['School days', 'sea', 'disc', ['School days'], []],
        ['Assessments', 'brick', 'triangle', ['Assessments', 'Keel year', 'Frame year', 'Launch year'], ['assessment']],
        ['Workshops', 'moss', 'square', ['Joinery shop', 'Rigging loft', 'Sail loft'], []],
        ['Launches and open days', 'plum', 'diamond', ['Launches and open days', 'Visits', 'Regatta league'], []],
        ['Rooms and boats', 'ochre', 'pentagon', ['Slipway', 'Safety boat', 'Steam box', 'Chart room'], []],
        ['Staff away', 'cobalt', 'plus', ['Staff away'], []],
        ['Tides', 'pine', 'waves', ['Tide table'], []],
    ];

    /**
     * @param  array<string, Person>  $people
     * @param  array<string, Group>  $groups
     * @return array<string, Calendar> by name
     */
    public function lay(array $people, array $groups): array
    {
        foreach (self::CATEGORIES as $name) {
            Category::query()->create(['name' => $name, 'closes_day' => $name === 'closed', 'colour' => self::CATEGORY_COLOURS[$name] ?? null]);
        }
        $calendars = [];
        foreach (self::CALENDARS as $name => [$colour, $mark, $keeper, $grants, $description]) {
            $calendars[$name] = $calendar = Calendar::query()->create([
                'slug' => Str::slug($name), 'name' => $name, 'description' => $description, 'colour' => $colour, 'mark' => $mark,
                'timezone' => 'Europe/London',
                'keeper_kind' => isset($people[$keeper]) ? SubjectKind::Person : SubjectKind::Group,
                'keeper_id' => ($people[$keeper] ?? $groups[$keeper])->id,
                'created_by' => $people['Ines Halloran']->id,
            ]);
            foreach ($grants as $to => $level) {
                GrantRecord::query()->create([
                    'on_kind' => 'calendar', 'on_id' => $calendar->id, 'level' => $level,
                    'subject_kind' => $to === 'everyone' ? SubjectKind::Everyone : SubjectKind::Group,
                    'subject_id' => $to === 'everyone' ? 0 : $groups[$to]->id,
                ]);
            }
        }

        return $calendars;
    }

    /**
     * @param  array<string, Calendar>  $calendars
     * @param  array<string, Group>  $groups
     */
    public function layOverlay(array $calendars, array $groups): void
    {
        $overlay = Overlay::query()->create([
            'slug' => 'the-term-at-a-glance', 'name' => 'The term at a glance',
            'keeper_kind' => SubjectKind::Group, 'keeper_id' => $groups['Coordination']->id,
        ]);
        GrantRecord::query()->create(['on_kind' => 'overlay', 'on_id' => $overlay->id, 'subject_kind' => SubjectKind::Everyone, 'subject_id' => 0, 'level' => 'see']);
        foreach (self::LAYERS as $position => [$name, $colour, $mark, $names, $categories]) {
            $layer = $overlay->layers()->create(['position' => $position, 'name' => $name, 'colour' => $colour, 'mark' => $mark, 'filter' => ['conditions' => $categories === [] ? [] : [['about' => 'category', 'match' => 'any', 'names' => $categories, 'not' => false]]]]);
            $layer->calendars()->attach(array_map(fn (string $each): int => $calendars[$each]->id, array_filter($names, fn (string $each): bool => isset($calendars[$each]))));
        }
    }

    /** One of a person's own, on which colours stand for categories, with what says a word on top. */
    public function layOverlayByKind(Person $keeper): void
    {
        $overlay = Overlay::query()->create(['slug' => 'by-kind', 'name' => 'By kind', 'opening_view' => 'month', 'coloured_by' => 'category', 'keeper_kind' => SubjectKind::Person, 'keeper_id' => $keeper->id]);
        foreach ([
            ['name' => 'gig', 'colour' => 'rose', 'mark' => 'star', 'takes' => 'overlay', 'conditions' => [['about' => 'words', 'words' => ['gig', 'skiff'], 'not' => false]]],
            ['name' => 'All of my list', 'colour' => 'slate', 'mark' => 'disc', 'takes' => 'all', 'conditions' => []],
        ] as $position => $layer) {
            $overlay->layers()->create(['position' => $position] + LayerRecord::columns($layer));
        }
    }
}
