<?php

use PinnedRota\Core\Access\Asking;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\OneLine\Habits;
use PinnedRota\Core\OneLine\OneLineReader;
use PinnedRota\Core\OneLine\Vocabulary;
use PinnedRota\Core\OneLine\WhenText;
use PinnedRota\Core\Organisation\OrganisationSettings;
use PinnedRota\Core\SchoolYear\SchoolYear;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

test('what is stored is read back; what is not stored is as it is by itself', function () {
    $decided = new OrganisationSettings(true, true, new Habits(false, 8 * 60, 17 * 60 + 30), Level::See, 'Skerrin Quay', Zone::of('Europe/Oslo'), 9, SchoolYear::fromArray(['alternates' => true, 'terms' => [['name' => 'Autumn', 'from' => '2026-09-07', 'to' => '2026-12-18', 'startsWith' => 'B']]]), 7, ['https://www.school.example'], 'https://meet.example/{code}');
    expect(OrganisationSettings::fromArray($decided->toArray()))->toEqual($decided)
        ->and(OrganisationSettings::fromArray([]))->toEqual(new OrganisationSettings)
        ->and(OrganisationSettings::fromArray(['dayFirst' => false]))->toEqual(new OrganisationSettings(habits: new Habits(false)));
});

test('what is no setting, or none that can be, is as though it were not there', function (array $stored) {
    expect(OrganisationSettings::fromArray($stored))->toEqual(new OrganisationSettings);
})->with([[['morning' => -1]], [['morning' => 1440]], [['morning' => '9:00']], [['plainHttp' => 'yes']], [['mayAskFor' => 'manage']], [['mayAskFor' => 'all']], [['mayAskFor' => 7]], [['name' => 3]], [['timezone' => 'Europe/Nowhere']], [['firstMonth' => 0]], [['firstMonth' => 13]], [['firstMonth' => '9']], [['meetings' => 'meet me']], [['closures' => '7']], [['frameSites' => 'school.example']], [['frameSites' => ['*']]], [['frameSites' => [7]]], [['schoolYear' => 'autumn']], [['schoolYear' => ['terms' => [['name' => 'Autumn', 'from' => 'september', 'to' => 'december']]]]], [['of another time' => true]]]);

test('people ask for no more than the organisation lets them', function () {
    expect(Asking::may(Level::BusyTimes, Level::Change))->toBeTrue()
        ->and(Asking::may(Level::BusyTimes, Level::Change, Level::Add))->toBeFalse()
        ->and(Asking::may(Level::BusyTimes, Level::Add, Level::Add))->toBeTrue()
        ->and(Asking::may(Level::BusyTimes, Level::See, Level::None))->toBeFalse()
        ->and(Asking::may(Level::See, Level::See))->toBeFalse()
        ->and(Asking::may(Level::None, Level::See))->toBeFalse();
});

test('dates and parts of the day are read as the organisation writes them', function () {
    $habits = new Habits(false, 8 * 60, 19 * 60);
    $read = fn (string $line): string => OneLineReader::read($line, new Vocabulary([], [], [], [], []), LocalDateTime::parse('2026-11-25T08:00'), $habits)->start?->toMinute() ?? '';
    expect($read('launch 2/11 9:00'))->toBe('2027-02-11T09:00')
        ->and($read('launch fri morning'))->toBe('2026-11-27T08:00')
        ->and($read('launch fri in the evening'))->toBe('2026-11-27T19:00');
    [$start] = WhenText::read('2/11 9:00', Make::time('2026-11-25T09:30'), Make::time('2026-11-25T11:00'), Zone::of('Europe/London'), LocalDateTime::parse('2026-12-30T15:00'), $habits);
    expect($start->local->toMinute())->toBe('2027-02-11T09:00');
});
