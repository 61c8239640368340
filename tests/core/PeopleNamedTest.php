<?php

use PinnedRota\Core\Documents\PeopleNamed;

test('names are parted as people part them, and what names nobody is none', function (string $cell, array $names) {
    expect(PeopleNamed::in($cell))->toBe($names);
})->with([
    ['Ines Halloran', ['Ines Halloran']], ['I. Halloran, Rashid & kay@example.org', ['I. Halloran', 'Rashid', 'kay@example.org']], ["Ada\nBen", ['Ada', 'Ben']], ['Ada and Ben with Cy', ['Ada', 'Ben', 'Cy']],
    ['Ada/Ben; Cy + Di', ['Ada', 'Ben', 'Cy', 'Di']], ['tbc', []], ['–', []], ['12', []], ['', []], ['Alexandra Sandwith', ['Alexandra Sandwith']], ['(Ada)', ['Ada']],
]);

test('somebody is called for short in several ways, and not at all by one name', function () {
    expect(PeopleNamed::shorter('Ines Maria Halloran'))->toBe(['Ines', 'Halloran', 'I Halloran', 'I. Halloran', 'Halloran, Ines'])->and(PeopleNamed::shorter('Ines'))->toBe([])->and(PeopleNamed::shorter('Øyvind Åse'))->toContain('Ø. Åse');
});

test('a mail address is told from a name', function () {
    expect([PeopleNamed::isAddress('kay@example.org'), PeopleNamed::isAddress('kay@home'), PeopleNamed::isAddress('kay at example.org'), PeopleNamed::isAddress(str_repeat('k', 200).'@example.org')])->toBe([true, false, false, false]);
});
