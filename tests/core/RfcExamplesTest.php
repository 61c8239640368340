<?php

use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use Tests\Support\Make;

/**
 * Every example of RFC 5545, 3.8.5.3, in its zone. Where the RFC writes “…”, as many are held against it as it lists.
 *
 * Days are written `1997-09 2,4,6-8`; times of day after a space and a T.
 *
 * @return list<string>
 */
function listed(string ...$months): array
{
    $times = [];
    foreach ($months as $month) {
        [$name, $days, $clock] = explode(' ', $month) + [2 => 'T09:00'];
        foreach (explode(',', $days) as $part) {
            [$first, $last] = explode('-', $part) + [1 => explode('-', $part)[0]];
            for ($day = (int) $first; $day <= (int) $last; $day++) {
                foreach (explode(',', substr($clock, 1)) as $time) {
                    $times[] = sprintf('%s-%02dT%s', $name, $day, $time);
                }
            }
        }
    }

    return $times;
}

test('the examples of RFC 5545, 3.8.5.3', function (string $start, string $rule, array $expected, bool $ends) {
    $skipped = str_contains($rule, 'BYMONTHDAY=13;') || str_ends_with($rule, 'BYMONTHDAY=13') ? [Make::time($start, 'America/New_York')] : [];
    $set = new RecurrenceSet([(new RuleParser)->parse($rule)], [], $skipped);
    $times = $set->startsBetween(Make::time($start, 'America/New_York'), LocalDateTime::parse('1996-01-01')->seconds, LocalDateTime::parse('2008-01-01')->seconds);
    $told = array_map(static fn (EventTime $time): string => substr($time->local->toDateTime(), 0, 16), $times);
    expect($ends ? $told : array_slice($told, 0, count($expected)))->toBe($expected);
})->with([
    'daily for 10 occurrences' => ['1997-09-02T09:00', 'FREQ=DAILY;COUNT=10', listed('1997-09 2-11'), true],
    'daily until December 24, 1997' => ['1997-09-02T09:00', 'FREQ=DAILY;UNTIL=19971224T000000Z', listed('1997-09 2-30', '1997-10 1-31', '1997-11 1-30', '1997-12 1-23'), true],
    'every other day' => ['1997-09-02T09:00', 'FREQ=DAILY;INTERVAL=2', listed('1997-09 2,4,6,8,10,12,14,16,18,20,22,24,26,28,30', '1997-10 2,4,6,8,10,12,14,16,18,20,22,24,26,28,30', '1997-11 1,3,5,7,9,11,13,15,17,19,21,23,25,27,29', '1997-12 1,3'), false],
    'every 10 days, 5 occurrences' => ['1997-09-02T09:00', 'FREQ=DAILY;INTERVAL=10;COUNT=5', listed('1997-09 2,12,22', '1997-10 2,12'), true],
    'every day in January for 3 years, yearly' => ['1998-01-01T09:00', 'FREQ=YEARLY;UNTIL=20000131T140000Z;BYMONTH=1;BYDAY=SU,MO,TU,WE,TH,FR,SA', listed('1998-01 1-31', '1999-01 1-31', '2000-01 1-31'), true],
    'every day in January for 3 years, daily' => ['1998-01-01T09:00', 'FREQ=DAILY;UNTIL=20000131T140000Z;BYMONTH=1', listed('1998-01 1-31', '1999-01 1-31', '2000-01 1-31'), true],
    'weekly for 10 occurrences' => ['1997-09-02T09:00', 'FREQ=WEEKLY;COUNT=10', listed('1997-09 2,9,16,23,30', '1997-10 7,14,21,28', '1997-11 4'), true],
    'weekly until December 24, 1997' => ['1997-09-02T09:00', 'FREQ=WEEKLY;UNTIL=19971224T000000Z', listed('1997-09 2,9,16,23,30', '1997-10 7,14,21,28', '1997-11 4,11,18,25', '1997-12 2,9,16,23'), true],
    'every other week' => ['1997-09-02T09:00', 'FREQ=WEEKLY;INTERVAL=2;WKST=SU', listed('1997-09 2,16,30', '1997-10 14,28', '1997-11 11,25', '1997-12 9,23', '1998-01 6,20', '1998-02 3,17'), false],
    'weekly on Tuesday and Thursday for five weeks, until' => ['1997-09-02T09:00', 'FREQ=WEEKLY;UNTIL=19971007T000000Z;WKST=SU;BYDAY=TU,TH', listed('1997-09 2,4,9,11,16,18,23,25,30', '1997-10 2'), true],
    'weekly on Tuesday and Thursday for five weeks, count' => ['1997-09-02T09:00', 'FREQ=WEEKLY;COUNT=10;WKST=SU;BYDAY=TU,TH', listed('1997-09 2,4,9,11,16,18,23,25,30', '1997-10 2'), true],
    'every other week on Monday, Wednesday and Friday until December 24, 1997' => ['1997-09-01T09:00', 'FREQ=WEEKLY;INTERVAL=2;UNTIL=19971224T000000Z;WKST=SU;BYDAY=MO,WE,FR', listed('1997-09 1,3,5,15,17,19,29', '1997-10 1,3,13,15,17,27,29,31', '1997-11 10,12,14,24,26,28', '1997-12 8,10,12,22'), true],
    'every other week on Tuesday and Thursday, 8 occurrences' => ['1997-09-02T09:00', 'FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH', listed('1997-09 2,4,16,18,30', '1997-10 2,14,16'), true],
    'monthly on the first Friday for 10 occurrences' => ['1997-09-05T09:00', 'FREQ=MONTHLY;COUNT=10;BYDAY=1FR', listed('1997-09 5', '1997-10 3', '1997-11 7', '1997-12 5', '1998-01 2', '1998-02 6', '1998-03 6', '1998-04 3', '1998-05 1', '1998-06 5'), true],
    'monthly on the first Friday until December 24, 1997' => ['1997-09-05T09:00', 'FREQ=MONTHLY;UNTIL=19971224T000000Z;BYDAY=1FR', listed('1997-09 5', '1997-10 3', '1997-11 7', '1997-12 5'), true],
    'every other month on the first and last Sunday, 10 occurrences' => ['1997-09-07T09:00', 'FREQ=MONTHLY;INTERVAL=2;COUNT=10;BYDAY=1SU,-1SU', listed('1997-09 7,28', '1997-11 2,30', '1998-01 4,25', '1998-03 1,29', '1998-05 3,31'), true],
    'monthly on the second-to-last Monday for 6 months' => ['1997-09-22T09:00', 'FREQ=MONTHLY;COUNT=6;BYDAY=-2MO', listed('1997-09 22', '1997-10 20', '1997-11 17', '1997-12 22', '1998-01 19', '1998-02 16'), true],
    'monthly on the third-to-the-last day' => ['1997-09-28T09:00', 'FREQ=MONTHLY;BYMONTHDAY=-3', listed('1997-09 28', '1997-10 29', '1997-11 28', '1997-12 29', '1998-01 29', '1998-02 26'), false],
    'monthly on the 2nd and 15th, 10 occurrences' => ['1997-09-02T09:00', 'FREQ=MONTHLY;COUNT=10;BYMONTHDAY=2,15', listed('1997-09 2,15', '1997-10 2,15', '1997-11 2,15', '1997-12 2,15', '1998-01 2,15'), true],
    'monthly on the first and last day, 10 occurrences' => ['1997-09-30T09:00', 'FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1', listed('1997-09 30', '1997-10 1,31', '1997-11 1,30', '1997-12 1,31', '1998-01 1,31', '1998-02 1'), true],
    'every 18 months on the 10th through 15th, 10 occurrences' => ['1997-09-10T09:00', 'FREQ=MONTHLY;INTERVAL=18;COUNT=10;BYMONTHDAY=10,11,12,13,14,15', listed('1997-09 10-15', '1999-03 10-13'), true],
    'every Tuesday, every other month' => ['1997-09-02T09:00', 'FREQ=MONTHLY;INTERVAL=2;BYDAY=TU', listed('1997-09 2,9,16,23,30', '1997-11 4,11,18,25', '1998-01 6,13,20,27', '1998-03 3,10,17,24,31'), false],
    'yearly in June and July, 10 occurrences' => ['1997-06-10T09:00', 'FREQ=YEARLY;COUNT=10;BYMONTH=6,7', listed('1997-06 10', '1997-07 10', '1998-06 10', '1998-07 10', '1999-06 10', '1999-07 10', '2000-06 10', '2000-07 10', '2001-06 10', '2001-07 10'), true],
    'every other year in January, February and March, 10 occurrences' => ['1997-03-10T09:00', 'FREQ=YEARLY;INTERVAL=2;COUNT=10;BYMONTH=1,2,3', listed('1997-03 10', '1999-01 10', '1999-02 10', '1999-03 10', '2001-01 10', '2001-02 10', '2001-03 10', '2003-01 10', '2003-02 10', '2003-03 10'), true],
    'every third year on the 1st, 100th and 200th day, 10 occurrences' => ['1997-01-01T09:00', 'FREQ=YEARLY;INTERVAL=3;COUNT=10;BYYEARDAY=1,100,200', listed('1997-01 1', '1997-04 10', '1997-07 19', '2000-01 1', '2000-04 9', '2000-07 18', '2003-01 1', '2003-04 10', '2003-07 19', '2006-01 1'), true],
    'every 20th Monday of the year' => ['1997-05-19T09:00', 'FREQ=YEARLY;BYDAY=20MO', listed('1997-05 19', '1998-05 18', '1999-05 17'), false],
    'Monday of week number 20' => ['1997-05-12T09:00', 'FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO', listed('1997-05 12', '1998-05 11', '1999-05 17'), false],
    'every Thursday in March' => ['1997-03-13T09:00', 'FREQ=YEARLY;BYMONTH=3;BYDAY=TH', listed('1997-03 13,20,27', '1998-03 5,12,19,26', '1999-03 4,11,18,25'), false],
    'every Thursday in June, July and August' => ['1997-06-05T09:00', 'FREQ=YEARLY;BYDAY=TH;BYMONTH=6,7,8', listed('1997-06 5,12,19,26', '1997-07 3,10,17,24,31', '1997-08 7,14,21,28', '1998-06 4,11,18,25', '1998-07 2,9,16,23,30', '1998-08 6,13,20,27', '1999-06 3,10,17,24', '1999-07 1,8,15,22,29', '1999-08 5,12,19,26'), false],
    'every Friday the 13th' => ['1997-09-02T09:00', 'FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13', listed('1998-02 13', '1998-03 13', '1998-11 13', '1999-08 13', '2000-10 13'), false],
    'the first Saturday that follows the first Sunday' => ['1997-09-13T09:00', 'FREQ=MONTHLY;BYDAY=SA;BYMONTHDAY=7,8,9,10,11,12,13', listed('1997-09 13', '1997-10 11', '1997-11 8', '1997-12 13', '1998-01 10', '1998-02 7', '1998-03 7', '1998-04 11', '1998-05 9', '1998-06 13'), false],
    'U.S. Presidential Election day' => ['1996-11-05T09:00', 'FREQ=YEARLY;INTERVAL=4;BYMONTH=11;BYDAY=TU;BYMONTHDAY=2,3,4,5,6,7,8', listed('1996-11 5', '2000-11 7', '2004-11 2'), false],
    'the third instance of Tuesday, Wednesday or Thursday, 3 months' => ['1997-09-04T09:00', 'FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3', listed('1997-09 4', '1997-10 7', '1997-11 6'), true],
    'the second-to-last weekday of the month' => ['1997-09-29T09:00', 'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-2', listed('1997-09 29', '1997-10 30', '1997-11 27', '1997-12 30', '1998-01 29', '1998-02 26', '1998-03 30'), false],
    // The RFC lists 15:00 too, though 17:00 UTC is 13:00 there: its erratum 3883 takes UNTIL for 21:00 UTC.
    'every 3 hours from 9:00 to 17:00 on a day, as it stands' => ['1997-09-02T09:00', 'FREQ=HOURLY;INTERVAL=3;UNTIL=19970902T170000Z', listed('1997-09 2 T09:00,12:00'), true],
    'every 3 hours from 9:00 to 17:00 on a day, as it is meant' => ['1997-09-02T09:00', 'FREQ=HOURLY;INTERVAL=3;UNTIL=19970902T210000Z', listed('1997-09 2 T09:00,12:00,15:00'), true],
    'every 15 minutes for 6 occurrences' => ['1997-09-02T09:00', 'FREQ=MINUTELY;INTERVAL=15;COUNT=6', listed('1997-09 2 T09:00,09:15,09:30,09:45,10:00,10:15'), true],
    'every hour and a half for 4 occurrences' => ['1997-09-02T09:00', 'FREQ=MINUTELY;INTERVAL=90;COUNT=4', listed('1997-09 2 T09:00,10:30,12:00,13:30'), true],
    'every 20 minutes from 9:00 to 16:40 every day, daily' => ['1997-09-02T09:00', 'FREQ=DAILY;BYHOUR=9,10,11,12,13,14,15,16;BYMINUTE=0,20,40', listed('1997-09 2-3 T09:00,09:20,09:40,10:00,10:20,10:40,11:00,11:20,11:40,12:00,12:20,12:40,13:00,13:20,13:40,14:00,14:20,14:40,15:00,15:20,15:40,16:00,16:20,16:40'), false],
    'every 20 minutes from 9:00 to 16:40 every day, minutely' => ['1997-09-02T09:00', 'FREQ=MINUTELY;INTERVAL=20;BYHOUR=9,10,11,12,13,14,15,16', listed('1997-09 2-3 T09:00,09:20,09:40,10:00,10:20,10:40,11:00,11:20,11:40,12:00,12:20,12:40,13:00,13:20,13:40,14:00,14:20,14:40,15:00,15:20,15:40,16:00,16:20,16:40'), false],
    'where WKST makes a difference, Monday' => ['1997-08-05T09:00', 'FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=MO', listed('1997-08 5,10,19,24'), true],
    'where WKST makes a difference, Sunday' => ['1997-08-05T09:00', 'FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU', listed('1997-08 5,17,19,31'), true],
    'an invalid date is ignored' => ['2007-01-15T09:00', 'FREQ=MONTHLY;BYMONTHDAY=15,30;COUNT=5', listed('2007-01 15,30', '2007-02 15', '2007-03 15,30'), true],
    // 3.3.10
    'every 10 days, as a rule alone' => ['1997-09-02T09:00', 'FREQ=DAILY;COUNT=10;INTERVAL=2', listed('1997-09 2,4,6,8,10,12,14,16,18,20'), true],
    'every Sunday in January at 8:30 and 9:30, every other year' => ['1997-01-05T08:30', 'FREQ=YEARLY;INTERVAL=2;BYMONTH=1;BYDAY=SU;BYHOUR=8,9;BYMINUTE=30', listed('1997-01 5,12,19,26 T08:30,09:30', '1999-01 3,10,17,24,31 T08:30,09:30'), false],
]);
