<?php

use PinnedRota\Core\Spreadsheet\XlsxWriter;
use Symfony\Component\Process\Process;

/** @return list<array<string, string>> the cells that another reader finds, by their names */
function workbook(string $octets): array
{
    $process = new Process(['/usr/bin/python3', dirname(__DIR__, 2).'/Support/read_xlsx.py'], input: $octets);
    $process->mustRun();

    return json_decode($process->getOutput(), true);
}

test('another reader finds every row, as text and nothing else', function () {
    $rows = [['Title', 'Start'], ['=1+1', '2026-11-02'], ['+44 20', "two\nlines"], ['<b>&"', ' spaces '], ['Mårtensö 🛶', ''], ['', 'only here']];
    expect(workbook(XlsxWriter::text($rows)))->toBe([
        ['A1' => 'Title', 'B1' => 'Start'], ['A2' => '=1+1', 'B2' => '2026-11-02'], ['A3' => '+44 20', 'B3' => "two\nlines"], ['A4' => '<b>&"', 'B4' => ' spaces '], ['A5' => 'Mårtensö 🛶'], ['B6' => 'only here'],
    ]);
});

test('what XML cannot say is left out, and a cell ends where a spreadsheet ends it', function () {
    [$row] = workbook(XlsxWriter::text([["a\x00b\x0Bc\xFFd", str_repeat('x', 40_000)]]));
    expect($row['A1'])->toBe('abc?d')->and(strlen($row['B1']))->toBe(32_767);
});

test('nothing is a workbook, too', function () {
    expect(workbook(XlsxWriter::text([])))->toBe([]);
});

test('columns are named as sheets name them', function (int $index, string $name) {
    expect(XlsxWriter::column($index))->toBe($name);
})->with([[0, 'A'], [25, 'Z'], [26, 'AA'], [51, 'AZ'], [52, 'BA'], [701, 'ZZ'], [702, 'AAA'], [16_383, 'XFD']]);

test('memory does not grow with it, and the same rows give the same octets', function () {
    $rows = function (int $count): Generator {
        for ($i = 0; $i < $count; $i++) {
            yield ["Event {$i}", str_repeat(chr(97 + $i % 26), 200), '2026-11-02 09:30'];
        }
    };
    $peak = function (int $count) use ($rows): int {
        $stream = fopen('php://temp/maxmemory:0', 'w+');
        memory_reset_peak_usage();
        $before = memory_get_usage();
        XlsxWriter::write($stream, $rows($count));

        return memory_get_peak_usage() - $before;
    };
    $peak(1_000);
    expect($peak(40_000))->toBeLessThan($peak(4_000) + 200_000)
        ->and(XlsxWriter::text($rows(500)))->toBe(XlsxWriter::text($rows(500)))
        ->and(count(workbook(XlsxWriter::text($rows(5_000)))))->toBe(5_000);
});
