<?php

use PinnedRota\Core\Invitations\AnswerCode;
use PinnedRota\Core\Time\WhenWords;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

test('a code stands for one invitation, in any case, and for nothing by another key', function () {
    $code = AnswerCode::of(27, 'key');
    expect(AnswerCode::read($code, 'key'))->toBe(27)->and(AnswerCode::read(strtoupper($code), 'key'))->toBe(27)->and(AnswerCode::read($code, 'other'))->toBeNull()
        ->and(AnswerCode::read(preg_replace('/^27/', '28', $code), 'key'))->toBeNull();
});

test('what is none is none', function (string $code) {
    expect(AnswerCode::read($code, 'key'))->toBeNull();
})->with(['', '27', '27-', '-abc', '0-'.str_repeat('a', 24), '99999999999999999999-'.str_repeat('a', 24), "27-abc\n"]);

test('it stands behind a plus in the address of the site, and is found there', function () {
    $address = AnswerCode::address('rota@skerrin-quay.example', '27-abc');
    expect($address)->toBe('rota+27-abc@skerrin-quay.example')->and(AnswerCode::inAddress($address))->toBe('27-abc')->and(AnswerCode::inAddress('rota@skerrin-quay.example'))->toBe('');
});

test('when something is, in words', function (string $from, string $to, string $words, ?string $zone = null) {
    expect(WhenWords::between(Make::time($from), Make::time($to), $zone === null ? null : Zone::of($zone)))->toBe($words);
})->with([
    ['2026-12-01T14:00', '2026-12-01T15:30', 'Tue 1 December 2026, 14:00–15:30'],
    ['2026-12-01T09:05', '2026-12-01T09:05', 'Tue 1 December 2026, 9:05'],
    'on another wall' => ['2026-12-01T20:00', '2026-12-01T21:00', 'Wed 2 December 2026, 5:00–6:00', 'Asia/Tokyo'],
    'to midnight' => ['2026-12-01T22:00', '2026-12-02T00:00', 'Tue 1 December 2026, 22:00–0:00'],
    'over night' => ['2026-12-01T22:00', '2026-12-02T06:00', 'Tue 1 December 2026, 22:00 – Wed 2 December 2026, 6:00'],
    'a day' => ['2026-12-01', '2026-12-02', 'Tue 1 December 2026'],
    'days' => ['2026-12-01', '2026-12-04', 'Tue 1 – Thu 3 December 2026'],
    'over months' => ['2026-11-30', '2026-12-02', 'Mon 30 November – Tue 1 December 2026'],
    'over years' => ['2026-12-31', '2027-01-02', 'Thu 31 December 2026 – Fri 1 January 2027'],
    'days on no wall' => ['2026-12-01', '2026-12-02', 'Tue 1 December 2026', 'Asia/Tokyo'],
]);
