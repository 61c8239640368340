<?php

use PinnedRota\Core\Publishing\NamesInText;

test('people are found by their family name where it is written as a name', function (string $text, array $meant) {
    $names = new NamesInText(['Noor Feldkamp', 'Ada Quill', 'Ben Quill', 'Li Wu', 'Plato', 'Zoë Åkerström-Hall']);
    expect($names->in($text))->toBe($meant);
})->with([
    'a family name' => ['Exam Feldkamp', ['Noor Feldkamp']],
    'in the genitive' => ['Feldkamp’s office', ['Noor Feldkamp']],
    'of two, whoever is named in full' => ['Ben Quill: slip', ['Ben Quill']],
    'of two, both' => ['Visit (Quill)', ['Ada Quill', 'Ben Quill']],
    'with letters of other languages' => ['Lunch with Åkerström-Hall', ['Zoë Åkerström-Hall']],
    'each once' => ['Feldkamp, Feldkamp', ['Noor Feldkamp']],
    'not a word that is no name' => ['a quill and ink', []],
    'not a part of a word' => ['Feldkampstrasse', []],
    'not names that are too short, or one word' => ['Wu, Plato', []],
    'nothing' => ['', []],
]);
