<?php

use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

/*
 * Files as programs write them that read the standard otherwise, by what is odd about them: tests/dialects/NAME.ics, and beside it what
 * a sensible person takes them to mean in 2026, each time a line, and what the reader says (!).
 */

function toldTime(EventTime $time): string
{
    return $time->kind === TimeKind::Date ? $time->local->toDate() : $time->local->toDateTime();
}

/** @return string a zone as it is called, and where a file describes it, its offset then */
function toldZone(EventTime $time): string
{
    $offset = $time->zone === null || $time->zone->observances() === [] ? null : $time->zone->offsetAt($time->indexSeconds());

    return match ($time->kind) {
        TimeKind::Date => '',
        TimeKind::Floating => ' floating',
        TimeKind::Zoned => ' '.$time->zone?->name.($offset === null ? '' : sprintf('%s%02d:%02d', $offset < 0 ? '-' : '+', intdiv(abs($offset), 3600), intdiv(abs($offset) % 3600, 60))),
    };
}

/** @return array{list<Series>, list<string>} what is in a file, and what the reader says of it */
function readDialect(string $file): array
{
    return Make::series($file);
}

function writtenAnew(string $file): string
{
    return Make::document(readDialect($file)[0]);
}

/** @return array{list<string>, list<string>} the times of a file, a line each, and what the reader says of it */
function meant(string $file): array
{
    [$all, $said] = readDialect($file);
    $lines = [];
    foreach ($all as $series) {
        foreach ($series->occurrences(LocalDateTime::parse('2026-01-01')->seconds, LocalDateTime::parse('2027-01-01')->seconds) as $each) {
            $event = $each->event;
            $end = $each->start->zone === null ? $each->start->at(new LocalDateTime($each->endSeconds)) : EventTime::zoned(new LocalDateTime($each->endSeconds), Zone::utc())->inZone($each->start->zone);
            $more = array_filter([
                $event->contents->status === Status::Cancelled ? 'cancelled' : '',
                $event->contents->private ? 'private' : '',
                count($event->reminders) > 1 ? count($event->reminders).' reminders' : '',
                $event->participants === [] ? '' : 'with '.implode(', ', array_map(fn ($who): string => $who->mailAddress(), $event->participants)),
                $event->foreign->properties === [] ? '' : 'kept: '.implode(', ', array_map(fn ($property): string => $property->name, $event->foreign->properties)),
            ]);
            $lines[] = toldTime($each->start).' '.toldTime($end).toldZone($each->start).' '.$event->contents->title.($more === [] ? '' : ' ('.implode('; ', $more).')');
        }
    }
    sort($lines);

    return [$lines, array_map(fn (string $each): string => "! {$each}", $said)];
}

test('a file is read as it was meant, and what was odd about it is said', function (string $name) {
    [$times, $said] = meant((string) file_get_contents(__DIR__."/../dialects/{$name}.ics"));
    expect(implode("\n", [...$times, ...$said])."\n")->toBe(file_get_contents(__DIR__."/../dialects/{$name}.txt"));
})->with(fn (): array => array_map(fn (string $path): string => basename($path, '.ics'), glob(__DIR__.'/../dialects/*.ics')));

test('written anew it means the same, nothing about it is odd any more, and written once more it is the same octets', function (string $name) {
    $odd = (string) file_get_contents(__DIR__."/../dialects/{$name}.ics");
    $sound = writtenAnew($odd);
    // Zones that were called the same are told apart by a number; what is apart from its series is related to it.
    $plain = fn (array $lines): array => preg_replace(['/ \(2\)/', '/line \d+: /', '/ \(kept: RELATED-TO\)/'], '', $lines);
    [$times, $said] = meant($sound);
    expect($plain($times))->toBe(meant($odd)[0])->and($plain($said))->toBe($name === 'rule-of-another-calendar' ? $plain(meant($odd)[1]) : [])
        ->and(writtenAnew($sound))->toBe($sound);
})->with(fn (): array => array_map(fn (string $path): string => basename($path, '.ics'), array_filter(glob(__DIR__.'/../dialects/*.ics'), fn (string $path): bool => basename($path) !== 'an-answer.ics')));

test('there are as many of one as of the other', function () {
    expect(count(glob(__DIR__.'/../dialects/*.ics')))->toBe(count(glob(__DIR__.'/../dialects/*.txt')))->toBeGreaterThanOrEqual(40);
});
