<?php

use PinnedRota\Core\SecondFactor\Base32;
use PinnedRota\Core\SecondFactor\OneTimePassword;
use PinnedRota\Core\SecondFactor\RecoveryCodes;

// RFC 6238, appendix B: the secret is as long as the digest of each algorithm.
test('a password is the one of the test vectors of RFC 6238', function (int $seconds, string $algorithm, string $password) {
    $secret = substr(str_repeat('1234567890', 7), 0, ['sha1' => 20, 'sha256' => 32, 'sha512' => 64][$algorithm]);
    expect((new OneTimePassword($secret, 8, 30, $algorithm))->at($seconds))->toBe($password);
})->with([
    [59, 'sha1', '94287082'], [59, 'sha256', '46119246'], [59, 'sha512', '90693936'],
    [1111111109, 'sha1', '07081804'], [1111111109, 'sha256', '68084774'], [1111111109, 'sha512', '25091201'],
    [1111111111, 'sha1', '14050471'], [1111111111, 'sha256', '67062674'], [1111111111, 'sha512', '99943326'],
    [1234567890, 'sha1', '89005924'], [1234567890, 'sha256', '91819424'], [1234567890, 'sha512', '93441116'],
    [2000000000, 'sha1', '69279037'], [2000000000, 'sha256', '90698825'], [2000000000, 'sha512', '38618901'],
    [20000000000, 'sha1', '65353130'], [20000000000, 'sha256', '77737706'], [20000000000, 'sha512', '47863826'],
]);

// RFC 4226, appendix D: the same secret, by count; a period of one second makes a count of each second.
test('and of those of RFC 4226', function () {
    $password = new OneTimePassword('12345678901234567890', 6, 1);
    expect(array_map($password->at(...), range(0, 9)))->toBe(['755224', '287082', '359152', '969429', '338314', '254676', '287922', '162583', '399871', '520489']);
});

test('it is taken half a minute early or late, and each once', function () {
    $password = new OneTimePassword('12345678901234567890');
    $at = 1_700_000_010;
    $step = intdiv($at, 30);
    foreach ([-30, 0, 30] as $off) {
        expect($password->accepts($password->at($at + $off), $at))->toBe($step + intdiv($off, 30));
    }
    expect($password->accepts($password->at($at - 60), $at))->toBeNull()
        ->and($password->accepts($password->at($at + 60), $at))->toBeNull()
        // Typed in two groups, as authenticators show it.
        ->and($password->accepts(substr($password->at($at), 0, 3).' '.substr($password->at($at), 3), $at))->toBe($step)
        // What was taken once is not taken again, nor what came before it.
        ->and($password->accepts($password->at($at), $at, $step))->toBeNull()
        ->and($password->accepts($password->at($at - 30), $at, $step))->toBeNull()
        ->and($password->accepts($password->at($at + 30), $at, $step))->toBe($step + 1);
    foreach (['', '0', 'abcdef', '12345678901234567890', substr($password->at($at), 0, 5)] as $odd) {
        expect($password->accepts($odd, $at))->toBeNull();
    }
});

test('Base32 is that of RFC 4648, there and back', function (string $octets, string $text) {
    expect(Base32::encode($octets))->toBe(rtrim($text, '='))->and(Base32::decode($text))->toBe($octets)->and(Base32::decode(strtolower(chunk_split($text, 4, ' '))))->toBe($octets);
})->with([['', ''], ['f', 'MY======'], ['fo', 'MZXQ===='], ['foo', 'MZXW6==='], ['foob', 'MZXW6YQ='], ['fooba', 'MZXW6YTB'], ['foobar', 'MZXW6YTBOI======']]);

test('every octet comes back', function () {
    $octets = implode('', array_map(chr(...), range(0, 255)));
    expect(Base32::decode(Base32::encode($octets)))->toBe($octets)
        ->and(fn () => Base32::decode('MZ1W'))->toThrow(InvalidArgumentException::class, 'no “1”');
});

test('a new secret has 160 bits, is another each time, and reads back', function () {
    $one = OneTimePassword::generate();
    expect(strlen(Base32::decode($one->text())))->toBe(20)->and($one->text())->not->toBe(OneTimePassword::generate()->text())
        ->and(OneTimePassword::ofText($one->text())->at(1_700_000_000))->toBe($one->at(1_700_000_000));
});

test('an authenticator is told whose it is', function () {
    $uri = (new OneTimePassword('12345678901234567890'))->uri('Pinned Rota: School', 'ada+x@example.org');
    expect($uri)->toBe('otpauth://totp/Pinned%20Rota%20%20School:ada%2Bx%40example.org?secret=GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ&issuer=Pinned%20Rota%3A%20School&algorithm=SHA1&digits=6&period=30');
});

test('recovery codes are ten, unlike, and known however they are typed', function () {
    $codes = RecoveryCodes::generate();
    expect($codes)->toHaveCount(10)->and(array_unique($codes))->toHaveCount(10)->each->toMatch('/^[a-z2-7]{5}-[a-z2-7]{5}$/');
    $code = $codes[0];
    foreach ([strtoupper($code), str_replace('-', '', $code), str_replace('-', ' ', " {$code} ")] as $typed) {
        expect(RecoveryCodes::digest($typed))->toBe(RecoveryCodes::digest($code))->and(RecoveryCodes::looksLikeOne($typed))->toBeTrue();
    }
    expect(RecoveryCodes::digest($codes[1]))->not->toBe(RecoveryCodes::digest($code));
    foreach (['123456', '123 456', '', 'abcde', "{$code}x"] as $other) {
        expect(RecoveryCodes::looksLikeOne($other))->toBeFalse();
    }
});
