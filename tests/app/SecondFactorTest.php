<?php

use App\Directory\WelcomeLink;
use App\SecondFactor\SecondFactor;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\SecondFactor\OneTimePassword;
use Tests\TestCase;

/* Signing in by what one knows and what one has: set up by oneself, asked for at every sign-in, and taken away when it is lost. */
beforeEach(function () {
    $this->freezeSecond();
    $this->root = $this->person('Root', ['role' => 'administrator']);
    $this->ada = $this->person();
    $this->password = ['password' => TestCase::PASSWORD];
    /** Sets one up; what authenticator there is then, and the recovery codes. */
    $this->withFactor = function ($person): array {
        $secret = $this->as($person, 'POST', '/session/second-factor', $this->password)->assertCreated()->json('secret');
        $authenticator = OneTimePassword::ofText($secret);
        $codes = $this->as($person, 'PUT', '/session/second-factor', ['code' => $authenticator->at(now()->getTimestamp())])->assertOk()->json('codes');
        $this->travel(60)->seconds();

        return [fn (): string => $authenticator->at(now()->getTimestamp()), $codes];
    };
    $this->signIn = function ($person, ?string $code = null, string $password = TestCase::PASSWORD) {
        $this->app['auth']->forgetGuards();
        $this->flushSession();

        return $this->postJson('/api/v1/session', ['email' => $person->email, 'password' => $password] + ($code === null ? [] : ['code' => $code]));
    };
});

test('it holds once it is confirmed, and is asked for from then on', function () {
    $new = $this->as($this->ada, 'POST', '/session/second-factor', $this->password)->assertCreated();
    expect($new->json('uri'))->toContain('otpauth://totp/Pinned%20Rota:'.rawurlencode($this->ada->email))->toContain($new->json('secret'));
    // Begun and not confirmed it asks for nothing.
    ($this->signIn)($this->ada)->assertOk();
    $authenticator = OneTimePassword::ofText($new->json('secret'));
    $this->as($this->ada, 'PUT', '/session/second-factor', ['code' => '000000'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'code');
    $code = $authenticator->at(now()->getTimestamp());
    expect($this->as($this->ada, 'PUT', '/session/second-factor', ['code' => $code])->assertOk()->json('codes'))->toHaveCount(10);
    $this->as($this->ada, 'GET', '/session/second-factor')->assertExactJson(['on' => true, 'codesLeft' => 10, 'needed' => false]);
    ($this->signIn)($this->ada)->assertUnprocessable()->assertJsonPath('errors.0', ['field' => 'code', 'message' => 'Enter what your authenticator shows, or a recovery code.']);
    // The code by which it was confirmed was used by that.
    ($this->signIn)($this->ada, $code)->assertUnprocessable();
    $this->travel(30)->seconds();
    ($this->signIn)($this->ada, $authenticator->at(now()->getTimestamp()))->assertOk()->assertJsonPath('person.name', 'Ada Quill');
    $this->assertAuthenticatedAs($this->ada, 'web');
});

test('whoever does not know the password learns nothing of it', function () {
    [$code] = ($this->withFactor)($this->ada);
    $with = ($this->signIn)($this->ada, $code(), 'wrong')->assertUnprocessable();
    $without = ($this->signIn)($this->root, null, 'wrong')->assertUnprocessable();
    expect($with->getContent())->toBe($without->getContent())->and($with->json('errors.0.field'))->toBe('password');
    // Nor is the code used up by that.
    ($this->signIn)($this->ada, $code())->assertOk();
    ($this->signIn)($this->ada, $code())->assertUnprocessable()->assertJsonPath('errors.0.message', 'This is not what it shows now, or it was used already.');
});

test('a recovery code comes in once', function () {
    [, $codes] = ($this->withFactor)($this->ada);
    ($this->signIn)($this->ada, strtoupper($codes[3]))->assertOk();
    ($this->signIn)($this->ada, $codes[3])->assertUnprocessable();
    ($this->signIn)($this->ada, str_replace('-', ' ', $codes[4]))->assertOk();
    $this->as($this->ada, 'GET', '/session/second-factor')->assertJsonPath('codesLeft', 8);
    // Those of somebody else do not.
    [, $others] = ($this->withFactor)($this->root);
    ($this->signIn)($this->ada, $others[0])->assertUnprocessable();
    // New ones end the old.
    $new = $this->as($this->ada, 'POST', '/session/second-factor/codes', $this->password)->assertCreated()->json('codes');
    ($this->signIn)($this->ada, $codes[5])->assertUnprocessable();
    ($this->signIn)($this->ada, $new[5])->assertOk();
    expect(json_encode(DB::table('recovery_codes')->get()))->not->toContain(str_replace('-', '', $new[0]));
});

test('trying codes is limited, for this person and not for others', function () {
    [$code] = ($this->withFactor)($this->ada);
    [$rootsCode] = ($this->withFactor)($this->root);
    foreach (range(1, 5) as $ignored) {
        ($this->signIn)($this->ada, '000000')->assertUnprocessable();
    }
    ($this->signIn)($this->ada, $code())->assertUnprocessable()->assertJsonPath('errors.0.message', 'Too many tries. Wait a few minutes.');
    ($this->signIn)($this->root, $rootsCode())->assertOk();
    $this->travel(6)->minutes();
    ($this->signIn)($this->ada, $code())->assertOk();
});

test('a letter to set a password by is no way around it', function () {
    [$code] = ($this->withFactor)($this->ada);
    parse_str((string) parse_url(WelcomeLink::askedFor($this->ada), PHP_URL_QUERY), $link);
    $token = $link['token'];
    $set = fn (?string $code) => $this->putJson('/api/v1/session/password-link', ['email' => $this->ada->email, 'token' => $token, 'password' => 'another-long-one', 'code' => $code]);
    $this->app['auth']->forgetGuards();
    $set(null)->assertUnprocessable()->assertJsonPath('errors.0.field', 'code');
    $set('000000')->assertUnprocessable();
    ($this->signIn)($this->ada, $code(), 'another-long-one')->assertUnprocessable();
    $set($code())->assertOk()->assertJsonPath('person.id', $this->ada->id);
});

test('each change of it asks for the password, and is written down', function () {
    $wrong = ['password' => 'wrong'];
    $this->as($this->ada, 'POST', '/session/second-factor', $wrong)->assertUnprocessable()->assertJsonPath('errors.0.message', 'This is not your password.');
    $this->as($this->ada, 'DELETE', '/session/second-factor', $this->password)->assertNoContent();
    $this->as($this->ada, 'POST', '/session/second-factor/codes', $this->password)->assertConflict();
    ($this->withFactor)($this->ada);
    $this->as($this->ada, 'POST', '/session/second-factor', $this->password)->assertConflict();
    $this->as($this->ada, 'DELETE', '/session/second-factor', $wrong)->assertUnprocessable();
    $this->as($this->ada, 'DELETE', '/session/second-factor', $this->password)->assertNoContent();
    ($this->signIn)($this->ada)->assertOk();
    expect(SecondFactor::query()->count())->toBe(0)->and(DB::table('recovery_codes')->count())->toBe(0)
        ->and($this->as($this->root, 'GET', '/log')->json('*.words'))->toBe(['Ada Quill: second factor from yes to no', 'Ada Quill: second factor from no to yes']);
});

test('who has lost it is let in by an administrator, signed in nowhere any more', function () {
    ($this->withFactor)($this->ada);
    DB::table('sessions')->insert(['id' => 'elsewhere', 'user_id' => $this->ada->id, 'payload' => '', 'last_activity' => now()->getTimestamp()]);
    $this->as($this->ada, 'DELETE', "/people/{$this->ada->id}/second-factor")->assertForbidden();
    $this->as($this->root, 'DELETE', "/people/{$this->ada->id}/second-factor")->assertNoContent();
    $this->as($this->root, 'DELETE', "/people/{$this->ada->id}/second-factor")->assertConflict();
    expect(DB::table('sessions')->where('user_id', $this->ada->id)->count())->toBe(0);
    ($this->signIn)($this->ada)->assertOk();
});

test('where the organisation asks its administrators for one, they are none without it', function () {
    $this->as($this->root, 'PATCH', '/organisation', ['administratorsNeedSecondFactor' => true], 0)->assertUnprocessable()
        ->assertJsonPath('errors.0', ['field' => 'administratorsNeedSecondFactor', 'message' => 'Set up a second factor of your own first.']);
    ($this->withFactor)($this->root);
    $this->as($this->root, 'PATCH', '/organisation', ['administratorsNeedSecondFactor' => true], 0)->assertOk()->assertJsonPath('administratorsNeedSecondFactor', true);
    $other = $this->person('Other Root', ['role' => 'administrator']);
    $this->as($other, 'GET', '/people')->assertForbidden()->assertJsonPath('detail', 'Your organisation asks its administrators for a second factor. Set it up under your name first.');
    $this->as($other, 'GET', '/session')->assertJsonPath('person.needsSecondFactor', true);
    $this->as($other, 'GET', '/calendars')->assertOk();
    ($this->withFactor)($other);
    $this->as($other, 'GET', '/people')->assertOk();
    $this->as($other, 'GET', '/session')->assertJsonPath('person.needsSecondFactor', false);
    $this->as($other, 'DELETE', '/session/second-factor', $this->password)->assertConflict();
    $this->as($this->ada, 'GET', '/session')->assertJsonPath('person.needsSecondFactor', false);
});

test('the secret is nowhere to be read', function () {
    $secret = $this->as($this->ada, 'POST', '/session/second-factor', $this->password)->json('secret');
    expect(json_encode(DB::table('second_factors')->get()))->not->toContain($secret)
        ->and(json_encode(SecondFactor::query()->sole()))->not->toContain($secret)
        ->and($this->as($this->ada, 'GET', '/session/second-factor')->getContent())->not->toContain($secret);
});
