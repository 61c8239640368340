<?php

declare(strict_types=1);

/** High waters from a week ago to eight weeks on: two a day, 12 h 25 min apart, springs and neaps over 14.77 days. */
function tides(DateTimeImmutable $today): string
{
    $utc = new DateTimeZone('UTC');
    $from = $today->modify('-7 days')->getTimestamp();
    $to = $today->modify('+56 days')->getTimestamp();
    $period = 44_714;
    $origin = 1_700_000_000;
    $events = [];
    for ($number = (int) ceil(($from - $origin) / $period); $origin + $number * $period < $to; $number++) {
        $at = intdiv($origin + $number * $period, 60) * 60;
        $height = 3.9 + 0.9 * cos(2 * M_PI * ($at - $origin) / (14.7653 * 86400)) + 0.1 * sin($number);
        $start = (new DateTimeImmutable('@'.$at))->setTimezone($utc);
        $events[] = event([
            'UID' => "high-water-{$number}@harbour-office.invalid",
            'DTSTAMP' => $today->setTimezone($utc)->format('Ymd\THis\Z'),
            'DTSTART' => $start->format('Ymd\THis\Z'),
            'SUMMARY' => sprintf('High water %.1f m', $height),
            'LOCATION' => 'Skerrin Quay',
            'CATEGORIES' => 'tide',
            'TRANSP' => 'TRANSPARENT',
        ]);
    }

    return calendar('Tide table\, Skerrin Quay', $events);
}
