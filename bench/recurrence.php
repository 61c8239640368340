<?php

declare(strict_types=1);

/** Expands six rules over 2026, from a start in 2025 and one in 1997, with the core and with sabre/vobject. */

use Bench\Clock;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;
use Sabre\VObject\Recur\RRuleIterator;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/Clock.php';
// Its deprecation notices would be most of its time.
error_reporting(E_ALL & ~E_DEPRECATED);

$rules = [
    'FREQ=DAILY' => '01-01',
    'FREQ=WEEKLY;BYDAY=MO,WE,FR' => '01-01',
    'FREQ=MONTHLY;BYDAY=2TU' => '01-14',
    'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1' => '01-31',
    'FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU' => '03-30',
    'FREQ=WEEKLY;INTERVAL=2;BYDAY=TU,TH' => '01-02',
];
$from = LocalDateTime::parse('2026-01-01')->seconds;
$to = LocalDateTime::parse('2027-01-01')->seconds;
$zone = Zone::of('Europe/London');

$core = static function (int $year) use ($rules, $from, $to, $zone): int {
    $count = 0;
    foreach ($rules as $rule => $day) {
        $set = new RecurrenceSet([(new RuleParser)->parse($rule)]);
        $start = EventTime::zoned(LocalDateTime::parse("{$year}-{$day}T09:00"), $zone);
        $count += count($set->startsBetween($start, $from, $to));
    }

    return $count;
};
$sabre = static function (int $year) use ($rules): int {
    $count = 0;
    $zone = new DateTimeZone('Europe/London');
    $from = new DateTimeImmutable('2026-01-01', $zone);
    $to = new DateTimeImmutable('2027-01-01', $zone);
    foreach ($rules as $rule => $day) {
        $iterator = new RRuleIterator($rule, new DateTimeImmutable("{$year}-{$day}T09:00", $zone));
        $iterator->fastForward($from);
        while ($iterator->valid() && $iterator->current() < $to) {
            $count++;
            $iterator->next();
        }
    }

    return $count;
};

printf("occurrences in 2026: core %d and %d, sabre/vobject %d and %d\n", $core(2025), $core(1997), $sabre(2025), $sabre(1997));
$best = Clock::best([
    'core 2025' => fn () => $core(2025),
    'core 1997' => fn () => $core(1997),
    'sabre 2025' => fn () => $sabre(2025),
    'sabre 1997' => fn () => $sabre(1997),
], 40);
foreach ($best as $name => $seconds) {
    printf("%-12s %8.2f ms\n", $name, $seconds * 1e3);
}
Clock::row('six rules over 2026: start in 1997 / start in 2025', $best['core 1997'] / $best['core 2025'], 'at most', 1.2);
Clock::row('six rules over 2026: sabre/vobject / core, from 2025', $best['sabre 2025'] / $best['core 2025'], 'at least', 15);
Clock::row('six rules over 2026: sabre/vobject / core, from 1997', $best['sabre 1997'] / $best['core 1997'], 'at least', 100);
