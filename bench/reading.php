<?php

declare(strict_types=1);

/**
 * Reads iCalendar files of 20,000 and 200,000 events with the core, and the first with sabre/vobject, which is asked
 * for no more than the start, end and title of each event.
 *
 * Each reading is a process of its own, so that its peak memory is its own.
 */

use Bench\Clock;
use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\Time\Zone;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Reader;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/Clock.php';
error_reporting(E_ALL & ~E_DEPRECATED);

/** A file as programs write them: folded text, zones, people, reminders, one in five repeating. */
function writeFile(string $path, int $events): void
{
    $stream = fopen($path, 'w');
    fwrite($stream, "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Bench//EN\r\nX-WR-CALNAME:Bench\r\n");
    for ($number = 0; $number < $events; $number++) {
        $day = gmdate('Ymd', 1_760_000_000 + ($number % 700) * 86_400);
        $hour = sprintf('%02d', 8 + $number % 9);
        fwrite($stream, "BEGIN:VEVENT\r\nUID:event-{$number}@example.org\r\nDTSTAMP:20260101T000000Z\r\nDTSTART;TZID=Europe/London:{$day}T{$hour}0000\r\nDTEND;TZID=Europe/London:{$day}T{$hour}4500\r\n");
        if ($number % 5 === 0) {
            fwrite($stream, "RRULE:FREQ=WEEKLY;COUNT=12;BYDAY=MO,TH\r\nEXDATE;TZID=Europe/London:{$day}T{$hour}0000\r\n");
        }
        fwrite($stream, "SUMMARY:Bench work\\, group {$number}\r\nLOCATION:Long loft\r\nCATEGORIES:assessment,workshop\r\nDESCRIPTION:What is needed: a fid\\, a mallet and twine. Bring the sheets of l\r\n ast week\\; the second half is about wire.\\nThe yard is open from eight.\r\nSTATUS:CONFIRMED\r\nTRANSP:OPAQUE\r\nSEQUENCE:1\r\n");
        if ($number % 4 === 0) {
            fwrite($stream, "ORGANIZER;CN=Ada Quill:mailto:ada@example.org\r\nATTENDEE;CN=\"Oar, Ben\";PARTSTAT=ACCEPTED;ROLE=REQ-PARTICIPANT:mailto:ben@example.org\r\nBEGIN:VALARM\r\nACTION:DISPLAY\r\nTRIGGER:-PT15M\r\nDESCRIPTION:Soon\r\nEND:VALARM\r\n");
        }
        fwrite($stream, "END:VEVENT\r\n");
    }
    fwrite($stream, "END:VCALENDAR\r\n");
    fclose($stream);
}

$readers = [
    'core' => function (string $path): int {
        $count = 0;
        foreach ((new CalendarReader(fopen($path, 'r'), new Diagnostics, Zone::of('Europe/London')))->events() as $event) {
            $count += $event->timing->lengthSeconds() > 0 && $event->contents->title !== '' ? 1 : 0;
        }

        return $count;
    },
    'sabre' => function (string $path): int {
        $count = 0;
        $calendar = Reader::read(fopen($path, 'r'));
        assert($calendar instanceof VCalendar);
        foreach ($calendar->select('VEVENT') as $event) {
            $count += $event->DTEND->getDateTime() > $event->DTSTART->getDateTime() && (string) $event->SUMMARY !== '' ? 1 : 0;
        }

        return $count;
    },
];

if (isset($argv[2])) {
    $begins = hrtime(true);
    $count = $readers[$argv[1]]($argv[2]);
    echo json_encode(['count' => $count, 'seconds' => (hrtime(true) - $begins) / 1e9, 'megabytes' => memory_get_peak_usage() / 1e6]);
    exit;
}

$folder = sys_get_temp_dir().'/rota-bench-'.getmypid();
mkdir($folder);
writeFile("{$folder}/20000.ics", 20_000);
writeFile("{$folder}/200000.ics", 200_000);
$run = static function (string $reader, int $events) use ($folder): array {
    $out = shell_exec(sprintf('%s -d memory_limit=4G -d opcache.enable_cli=1 %s %s %s', escapeshellarg(PHP_BINARY), escapeshellarg(__FILE__), $reader, escapeshellarg("{$folder}/{$events}.ics")));
    $result = json_decode((string) $out, true);
    if (! is_array($result) || $result['count'] !== $events) {
        throw new RuntimeException("{$reader} did not read {$events} events: {$out}");
    }

    return $result;
};
$best = [];
for ($round = 0; $round < 7; $round++) {
    foreach ([['core', 20_000], ['sabre', 20_000]] as [$reader, $events]) {
        $result = $run($reader, $events);
        if (! isset($best[$reader]) || $result['seconds'] < $best[$reader]['seconds']) {
            $best[$reader] = $result;
        }
    }
}
$large = $run('core', 200_000);
array_map(unlink(...), glob("{$folder}/*.ics") ?: []);
rmdir($folder);

printf("20,000 events: core %.2f s, %.1f MB; sabre/vobject %.2f s, %.1f MB. 200,000 events: core %.1f s, %.1f MB\n", $best['core']['seconds'], $best['core']['megabytes'], $best['sabre']['seconds'], $best['sabre']['megabytes'], $large['seconds'], $large['megabytes']);
Clock::row('reading 20,000 events: sabre/vobject / core', $best['sabre']['seconds'] / $best['core']['seconds'], 'at least', 8);
Clock::row('reading 20,000 events: peak memory in MB', $best['core']['megabytes'], 'at most', 32);
Clock::row('reading 200,000 events: peak memory / that of 20,000', $large['megabytes'] / $best['core']['megabytes'], 'at most', 1.05);
