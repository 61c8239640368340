<?php

namespace Database\Seeders\Demo;

use App\Directory\Group;
use App\Directory\Person;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use PinnedRota\Core\Directory\Role;

/** The people of Skerrin Quay School of Boatbuilding and their groups. All invented. */
final class DemoPeople
{
    /** name => [post, groups] */
    private const PEOPLE = [
        'Ines Halloran' => ['Coordinator', ['Coordination', 'Staff']],
        'Oda Lindqvarn' => ['Teacher, joinery', ['Staff', 'Joinery']],
        'Rufus Tamm' => ['Rigging instructor', ['Staff', 'Rigging']],
        'Mirela Dask' => ['Student, Keel year', ['Keel year']],
        'Bertil Acheng' => ['Administrator', ['Coordination', 'Staff']],
        'Priya Oyelund' => ['Head of school', ['Coordination', 'Staff']],
        'Tomas Wrexley' => ['Teacher, joinery', ['Staff', 'Joinery']],
        'Hana Brekspear' => ['Sailmaker', ['Staff', 'Sail loft']],
        'Yusuf Calloway' => ['Seamanship instructor', ['Staff', 'Seamanship']],
        'Greta Ondaatsen' => ['Seamanship instructor', ['Staff', 'Seamanship']],
        'Lachlan Pereiro' => ['Teacher, drawing and lofting', ['Staff', 'Joinery']],
        'Noor Feldkamp' => ['Sailmaker', ['Staff', 'Sail loft']],
        'Esi Marchetti' => ['Rigging instructor', ['Staff', 'Rigging']],
        'Colm Vasquellis' => ['Slipway master', ['Staff', 'Yard']],
        'Astrid Nakamoto-Bell' => ['Yard hand', ['Staff', 'Yard']],
        'Dmitri Holloway' => ['Storekeeper', ['Staff', 'Yard']],
        'Sunniva Okafor' => ['Admissions', ['Staff', 'Coordination']],
        'Pavel Trewin' => ['Visiting shipwright', ['Joinery']],
        'Leocadia Brandt' => ['Safety officer', ['Staff', 'Yard']],
        'Aroha Stensgaard' => ['Librarian', ['Staff']],
        'Jonas Mbeki-Roe' => ['Student, Keel year', ['Keel year']],
        'Freya Castellane' => ['Student, Keel year', ['Keel year']],
        'Idris Holm' => ['Student, Keel year', ['Keel year']],
        'Wanda Quillon' => ['Student, Keel year', ['Keel year']],
        'Kofi Arnesen' => ['Student, Keel year', ['Keel year']],
        'Saoirse Dubois' => ['Student, Frame year', ['Frame year']],
        'Mateus Ferngold' => ['Student, Frame year', ['Frame year']],
        'Linnea Abara' => ['Student, Frame year', ['Frame year']],
        'Rashid Penhale' => ['Student, Frame year', ['Frame year']],
        'Tilda Moreau' => ['Student, Frame year', ['Frame year']],
        'Viggo Santerre' => ['Student, Launch year', ['Launch year']],
        'Amara Lyndhurst' => ['Student, Launch year', ['Launch year']],
        'Ciaran Volkova' => ['Student, Launch year', ['Launch year']],
        'Beatrix Osei' => ['Student, Launch year', ['Launch year']],
        'Emil Tavares' => ['Student, Launch year', ['Launch year']],
        'Rosalind Kjaer' => ['Parent', []],
        'Hamish Delacroix' => ['Harbour partner', []],
        'Nadia Thornquist' => ['Volunteer', ['Volunteers']],
        'Silas Amundsen' => ['Volunteer', ['Volunteers']],
        'Maeve Ostrander' => ['Volunteer', ['Volunteers']],
    ];

    /** Groups within a group. */
    private const GROUPS_OF_GROUPS = ['Students' => ['Keel year', 'Frame year', 'Launch year'], 'Workshops' => ['Joinery', 'Rigging', 'Sail loft']];

    /** @return array{people: array<string, Person>, groups: array<string, Group>} by name */
    public function lay(): array
    {
        // Hashed once for all: forty times would take most of the time of the whole demo.
        $password = Hash::make((string) config('rota.demo.password'));
        $people = $groups = [];
        foreach (self::PEOPLE as $name => [$post, $memberOf]) {
            $people[$name] = Person::query()->create([
                'name' => $name,
                'email' => Str::slug($name, '.').'@skerrin-quay.example',
                'password' => $password,
                'timezone' => 'Europe/London',
                'role' => match ($name) {
                    'Bertil Acheng' => Role::Administrator,
                    'Ines Halloran' => Role::Coordinator,
                    default => Role::Member,
                },
                'post' => $post,
            ]);
            foreach ($memberOf as $group) {
                $groups[$group] ??= Group::query()->create(['name' => $group]);
                $groups[$group]->people()->attach($people[$name]->id);
            }
        }

        foreach (self::GROUPS_OF_GROUPS as $name => $within) {
            $groups[$name] = Group::query()->create(['name' => $name]);
            $groups[$name]->groups()->attach(array_map(fn (string $each): int => $groups[$each]->id, $within));
        }

        return ['people' => $people, 'groups' => $groups];
    }
}
