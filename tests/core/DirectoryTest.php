<?php

use PinnedRota\Core\Directory\AddressList;
use PinnedRota\Core\Directory\InvalidWorkingHours;
use PinnedRota\Core\Directory\PeopleTable;
use PinnedRota\Core\Directory\PersonRow;
use PinnedRota\Core\Directory\PlannedPerson;
use PinnedRota\Core\Directory\WorkingHours;

test('addresses are found however they are pasted', function (string $text, array $addresses, array $rest) {
    $list = AddressList::read($text);
    expect($list->addresses)->toBe($addresses)->and($list->rest)->toBe($rest);
})->with([
    'a line each' => ["ada@example.org\nben@example.org\r\n\r\ncy@example.org", ['ada@example.org', 'ben@example.org', 'cy@example.org'], []],
    'with names' => ['Ada Quill <Ada@Example.org>; "Oar, Ben" <ben@example.org>', ['ada@example.org', 'ben@example.org'], ['"Oar']],
    'twice is once' => ['ada@example.org, ADA@example.org', ['ada@example.org'], []],
    'in brackets and at the end of a sentence' => ['(ada@example.org), write to ben@example.org.', ['ada@example.org', 'ben@example.org'], []],
    'what is none stays' => ['Ada Quill, ada@, ben@example', [], ['Ada Quill', 'ada@', 'ben@example']],
    'nothing' => ["  \n , ;", [], []],
]);

test('working hours are told as they are kept, in order', function () {
    $hours = WorkingHours::of([['day' => 'TU', 'from' => '13:00', 'to' => '24:00'], ['day' => 'MO', 'from' => '09:30', 'to' => '17:00'], ['day' => 'TU', 'from' => '09:00', 'to' => '13:00']]);
    expect($hours->spans)->toBe([0 => [[570, 1020]], 1 => [[540, 780], [780, 1440]]])
        ->and($hours->rows())->toBe([['day' => 'MO', 'from' => '09:30', 'to' => '17:00'], ['day' => 'TU', 'from' => '09:00', 'to' => '13:00'], ['day' => 'TU', 'from' => '13:00', 'to' => '24:00']])
        ->and(WorkingHours::of([])->rows())->toBe([]);
});

test('what are no working hours is refused', function (array $rows) {
    WorkingHours::of($rows);
})->with([
    'backwards' => [[['day' => 'MO', 'from' => '17:00', 'to' => '09:00']]],
    'no length' => [[['day' => 'MO', 'from' => '09:00', 'to' => '09:00']]],
    'no such day' => [[['day' => 'XX', 'from' => '09:00', 'to' => '17:00']]],
    'no such time' => [[['day' => 'MO', 'from' => '9', 'to' => '25:00']]],
    'over each other' => [[['day' => 'MO', 'from' => '09:00', 'to' => '13:00'], ['day' => 'MO', 'from' => '12:59', 'to' => '17:00']]],
    'too many' => [array_fill(0, 29, ['day' => 'MO', 'from' => '09:00', 'to' => '10:00'])],
])->throws(InvalidWorkingHours::class);

/** @return list<string> each planned line in short */
function planned(string $text, array $known = [], array $groups = ['Yard', 'Rigging loft']): array
{
    return array_map(fn (PlannedPerson $each): string => "{$each->line} {$each->verdict->value}".($each->row === null ? '' : " {$each->row->name}|{$each->row->address}|{$each->row->post}|{$each->row->timezone}|".implode('+', $each->row->groups)).($each->notes === [] ? '' : ': '.implode(' ', $each->notes)), PeopleTable::plan($text, $known, $groups));
}

test('tables of people are read in the forms they come in', function (string $text, array $expected) {
    expect(planned($text))->toBe($expected);
})->with([
    'headings, commas' => ["Name,Email,Groups\r\nAda Quill,Ada@Example.org,\"Yard, rigging loft\"\r\n", ['2 new Ada Quill|ada@example.org|||Yard+Rigging loft']],
    'semicolons, a mark at the start, other headings' => ["\xEF\xBB\xBFSurname;First name;E-mail;Job;Time zone\nQuill;Ada;ada@example.org;Rigger;europe/london\n", ['2 new Ada Quill|ada@example.org|Rigger|Europe/London|']],
    'tabs without headings' => ["Ada Quill\tada@example.org\tRigger\tYard\n\nBen Oar\tben@example.org", ['1 new Ada Quill|ada@example.org|Rigger||Yard', '3 new Ben Oar|ben@example.org|||']],
    'a cell over two lines' => ["name,address,post\n\"Ada\",ada@example.org,\"Rigger\nand more\"\nBen,ben@example.org,", ["2 new Ada|ada@example.org|Rigger\nand more||", '4 new Ben|ben@example.org|||']],
    'refused, each with its line and why' => ["name,address,groups,zone\n,ada@example.org\nBen,nowhere\nCy,cy@example.org,Bakers\nDi,di@example.org,,Mars/Base\nEd,ed@example.org\nEd again,ED@example.org", [
        '2 refused |ada@example.org|||: There is no name.',
        '3 refused Ben|nowhere|||: “nowhere” is no mail address.',
        '4 refused Cy|cy@example.org|||Bakers: No group is called “Bakers”.',
        '5 refused Di|di@example.org||Mars/Base|: No time zone is called “Mars/Base”.',
        '6 new Ed|ed@example.org|||',
        '7 refused Ed again|ED@example.org|||: The same address is on line 6.',
    ]],
    'nothing' => ['', []],
    'broken text' => ["name,address\nA\xFFda,ada@example.org", ['2 new A?da|ada@example.org|||']],
]);

test('who is here already is changed by what the table says, and by no more', function () {
    $known = ['ada@example.org' => new PersonRow('Ada Quill', 'ada@example.org', 'Rigger', 'Europe/London', ['Yard'])];
    expect(planned("name,address,post,groups\nAda Quill,ada@example.org,,Yard", $known))->toBe(['2 known Ada Quill|ada@example.org|||Yard'])
        ->and(planned("name,address,post,groups\nAda Oar,ADA@example.org,Sailmaker,Rigging loft", $known))
        ->toBe(['2 changed Ada Oar|ada@example.org|Sailmaker||Rigging loft: name: “Ada Quill” becomes “Ada Oar” post: “Rigger” becomes “Sailmaker” into Rigging loft']);
});
