<?php

use PinnedRota\Core\Spreadsheet\CsvText;

/** @return list<list<string>> as a reader of the standard takes it */
function readCsv(string $text): array
{
    $stream = fopen('php://memory', 'r+');
    fwrite($stream, substr($text, 3));
    rewind($stream);
    $rows = [];
    while (($row = fgetcsv($stream, null, ',', '"', '')) !== false) {
        $rows[] = $row;
    }

    return $rows;
}

test('cells are read back as they were, whatever stands in them', function () {
    $rows = [['Title', 'Place'], ['Haul out, twice', 'Slip "2"'], ["first line\nsecond", ''], [' spaced ', "Ada's"], ['Überfahrt; ja', '0']];
    $text = CsvText::of($rows);
    expect($text)->toStartWith("\u{FEFF}Title,Place\r\n")->and(readCsv($text))->toBe($rows);
});

test('no cell is taken for a formula', function (string $cell) {
    expect(readCsv(CsvText::of([[$cell]])))->toBe([["'{$cell}"]]);
})->with(['=HYPERLINK("http://x","y")', '+1', '-1', '@SUM(A1)', "\t=1", "\r=1"]);

test('what only has such a sign further on stays as it is', function (string $cell) {
    expect(readCsv(CsvText::of([[$cell]])))->toBe([[$cell]]);
})->with(['9:30 – 11:00', 'a=b', 'Oars + sculls']);
