<?php

use PinnedRota\Core\ICalendar\LineWriter;
use PinnedRota\Core\ICalendar\TimeZoneWriter;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Observance;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

/** Three offsets: one until 1990, then an hour more each summer half. */
function yardZone(): Zone
{
    $rule = static fn (string $text) => (new RuleParser)->parse($text);

    return Zone::embedded('Our yard', [
        new Observance(false, LocalDateTime::parse('1970-01-01T00:00'), 5400, 5400, 'YST'),
        new Observance(true, LocalDateTime::parse('1990-04-01T02:00'), 5400, 9000, 'YDT', $rule('FREQ=YEARLY;BYMONTH=4;BYDAY=1SU')),
        new Observance(false, LocalDateTime::parse('1990-10-07T03:00'), 9000, 5400, 'YST', $rule('FREQ=YEARLY;BYMONTH=10;BYDAY=1SU')),
    ]);
}

test('instants and wall times are what PHP makes of them, in every zone', function () {
    mt_srand(41);
    foreach (Zone::identifiers() as $name) {
        $zone = Zone::of($name);
        $php = new DateTimeZone($name);
        for ($round = 0; $round < 12; $round++) {
            $instant = mt_rand(-1_000_000_000, 3_500_000_000);
            $wall = (new DateTimeImmutable("@{$instant}"))->setTimezone($php);
            expect($zone->offsetAt($instant))->toBe($wall->getOffset(), "{$name} at {$instant}");
            $local = $instant + $wall->getOffset();
            // A doubled wall time is the first of the two, so it may come back as the other.
            expect($zone->toLocal($zone->toUtc($local)))->toBe($local, "{$name} at {$instant}")
                ->and($zone->toUtc($local))->toBeLessThanOrEqual($instant);
        }
    }
});

test('many at once are the same as one by one, whatever was asked before', function (string $name) {
    mt_srand(42);
    $locals = array_map(static fn (): int => mt_rand(1_000_000_000, 2_500_000_000), range(1, 2000));
    // Close to the changes of one year, too, where what is remembered of the last answer must not be trusted.
    for ($local = LocalDateTime::parse('2026-03-01')->seconds; $local < LocalDateTime::parse('2026-11-20')->seconds; $local += 5400) {
        $locals[] = $local;
    }
    shuffle($locals);
    $zone = Zone::of($name);
    $php = static fn (int $local): int => (new DateTimeImmutable(gmdate('Y-m-d H:i:s', $local), new DateTimeZone($name)))->getTimestamp();
    foreach ($zone->toUtcEach($locals) as $index => $utc) {
        $local = $locals[$index];
        expect($utc)->toBe($zone->toUtc($local));
        // Of a time that comes twice PHP takes the first in some zones and the second in others; the RFC has the first.
        if ($php($local) !== $utc) {
            expect($utc)->toBeLessThan($php($local))->and($zone->toLocal($utc))->toBe($local)->and($zone->toLocal($php($local)))->toBe($local);
        }
    }
})->with(['Europe/London', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kolkata']);

test('the changes of a span are changes, each with what it changes', function (string $name, bool $some) {
    $changes = Zone::of($name)->changes(LocalDateTime::parse('2020-01-01')->seconds, LocalDateTime::parse('2030-01-01')->seconds);
    expect($changes !== [])->toBe($some);
    foreach ($changes as $change) {
        expect(Zone::of($name)->offsetAt($change['at']))->toBe($change['to'])->and(Zone::of($name)->offsetAt($change['at'] - 1))->toBe($change['from'])
            ->and($change['from'])->not->toBe($change['to']);
    }
})->with([['Europe/London', true], ['America/New_York', true], ['Africa/Casablanca', true], ['Asia/Kolkata', false], ['UTC', false], ['America/Sao_Paulo', false]]);

test('a described zone follows its observances, and is found again by its id', function (string $instant, int $offset) {
    foreach ([yardZone(), Zone::of(yardZone()->id)] as $zone) {
        expect($zone->offsetAt(LocalDateTime::parse($instant)->seconds))->toBe($offset)->and($zone->name)->toBe('Our yard');
    }
})->with([
    'before all' => ['1950-06-01', 5400],
    'before its summers' => ['1985-07-01', 5400],
    'its first summer' => ['1990-07-01', 9000],
    'just before a change' => ['2026-04-05T00:29', 5400],
    'just after it' => ['2026-04-05T00:31', 9000],
    'winter' => ['2026-12-01', 5400],
    'far on' => ['2150-07-01', 9000],
]);

test('a described zone is written as it came, and again the same', function () {
    $write = static function (Zone $zone): string {
        $stream = Make::stream('');
        (new TimeZoneWriter(new LineWriter($stream)))->write($zone, 2026, 2026);
        rewind($stream);

        return (string) stream_get_contents($stream);
    };
    $text = $write(yardZone());
    expect($text)->toContain("BEGIN:DAYLIGHT\r\nDTSTART:19900401T020000\r\nRRULE:FREQ=YEARLY;BYMONTH=4;BYDAY=1SU\r\nTZNAME:YDT\r\nTZOFFSETFROM:+0130\r\nTZOFFSETTO:+0230\r\nEND:DAYLIGHT")
        ->and($write(Zone::of(yardZone()->id)))->toBe($text);
});

test('an observance comes back from its text, and one that is cut is refused', function () {
    $observance = new Observance(true, LocalDateTime::parse('1990-04-01T02:00'), -5400, 3600, '', null, [LocalDateTime::parse('1991-04-07T02:00'), LocalDateTime::parse('1992-04-05T02:00')]);
    expect(Observance::parse((string) $observance))->toEqual($observance)
        ->and($observance->onsets(LocalDateTime::parse('1992-01-01')->seconds))->toBe([LocalDateTime::parse('1990-04-01T03:30')->seconds, LocalDateTime::parse('1991-04-07T03:30')->seconds])
        ->and(Zone::find('vtimezone:Broken'))->toBeNull()
        ->and(Zone::find("vtimezone:Broken\nD 1990"))->toBeNull()
        ->and(fn () => Observance::parse('S'))->toThrow(InvalidTime::class);
});

test('an observance that ends keeps to its end', function (string $until, int $count) {
    $observance = new Observance(true, LocalDateTime::parse('1990-04-01T02:00'), 5400, 9000, '', (new RuleParser)->parse("FREQ=YEARLY;BYMONTH=4;BYDAY=1SU;UNTIL={$until}"));
    expect($observance->onsets(LocalDateTime::parse('2030-01-01')->seconds))->toHaveCount($count);
})->with(['the instant of the third' => ['19920405T003000Z', 3], 'a second before' => ['19920405T002959Z', 2], 'a time on no clock' => ['19920405T020000', 3]]);

test('the last moment before a time is of its kind', function (EventTime $time, string $kind, string $wall) {
    expect($time->justBefore()->kind->value)->toBe($kind)->and($time->justBefore()->local->toDateTime())->toBe($wall)
        ->and($time->justBefore()->indexSeconds())->toBeLessThan($time->indexSeconds());
})->with([
    [fn () => Make::time('2026-07-20T09:30'), 'zoned', '2026-07-20T08:29:59'],
    [fn () => Make::time('2026-07-20T09:30', null), 'floating', '2026-07-20T09:29:59'],
    [fn () => Make::time('2026-07-20'), 'date', '2026-07-19T00:00:00'],
]);
