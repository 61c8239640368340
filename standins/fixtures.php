<?php

declare(strict_types=1);

/** The regatta league: a race on every other Saturday, one weekend regatta a month. */
function fixtures(DateTimeImmutable $today): string
{
    $hosts = ['Norrend', 'Ayle', 'Skerrin Quay', 'Tolm Sound', 'Breck Haven'];
    $events = [];
    $first = $today->modify('-10 weeks saturday this week');
    for ($week = 0; $week < 30; $week += 2) {
        $day = $first->modify("+{$week} weeks");
        $host = $hosts[intdiv($week, 2) % count($hosts)];
        $weekend = $week % 4 === 0;
        $events[] = event([
            'UID' => 'fixture-'.$day->format('Ymd').'@regatta-league.invalid',
            'DTSTAMP' => $today->setTimezone(new DateTimeZone('UTC'))->format('Ymd\THis\Z'),
        ] + ($weekend ? [
            'DTSTART;VALUE=DATE' => $day->format('Ymd'),
            'DTEND;VALUE=DATE' => $day->modify('+2 days')->format('Ymd'),
            'SUMMARY' => "Regatta at {$host}",
        ] : [
            'DTSTART;TZID=Europe/London' => $day->format('Ymd').'T110000',
            'DTEND;TZID=Europe/London' => $day->format('Ymd').'T153000',
            'SUMMARY' => "League race, {$host}",
        ]) + [
            'LOCATION' => $host,
            'CATEGORIES' => 'regatta',
            'STATUS' => $day > $today->modify('+8 weeks') ? 'TENTATIVE' : 'CONFIRMED',
        ]);
    }

    return calendar('Regatta league fixtures', $events);
}
