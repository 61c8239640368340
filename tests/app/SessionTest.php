<?php

use App\Directory\Person;
use App\Directory\WelcomeLink;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Tests\TestCase;

test('a person signs in, is known, and signs out', function () {
    $person = $this->person();
    $this->postJson('/api/v1/session', ['email' => $person->email, 'password' => TestCase::PASSWORD])->assertOk()->assertJsonPath('person.name', 'Ada Quill');
    $this->getJson('/api/v1/session')->assertJsonPath('person.id', $person->id)->assertJsonPath('demo', null);
    $this->deleteJson('/api/v1/session')->assertNoContent();
    $this->app['auth']->forgetGuards();
    $this->getJson('/api/v1/calendars')->assertUnauthorized()->assertHeader('Content-Type', 'application/problem+json');
});

test('a wrong password, an unknown address and a suspended person are answered alike', function () {
    $suspended = $this->person('Sus Pended', ['status' => 'suspended']);
    $answers = [];
    foreach ([[$this->person()->email, 'wrong'], ['nobody@example.org', TestCase::PASSWORD], [$suspended->email, TestCase::PASSWORD]] as [$email, $password]) {
        $answers[] = $this->postJson('/api/v1/session', compact('email', 'password'))->assertUnprocessable()->getContent();
    }
    expect(array_unique($answers))->toHaveCount(1);
});

test('a person who is suspended while signed in is out at the next request', function () {
    $person = $this->person();
    $this->postJson('/api/v1/session', ['email' => $person->email, 'password' => TestCase::PASSWORD])->assertOk();
    Person::query()->whereKey($person->id)->update(['status' => 'suspended']);
    $this->app['auth']->forgetGuards();
    $this->getJson('/api/v1/calendars')->assertUnauthorized();
});

test('trying passwords is limited, for this name and not for others', function () {
    $person = $this->person();
    for ($try = 0; $try < 10; $try++) {
        $this->postJson('/api/v1/session', ['email' => $person->email, 'password' => 'wrong'])->assertUnprocessable();
    }
    $this->postJson('/api/v1/session', ['email' => $person->email, 'password' => TestCase::PASSWORD])->assertTooManyRequests()->assertHeader('Retry-After');
    $this->postJson('/api/v1/session', ['email' => $this->person()->email, 'password' => TestCase::PASSWORD])->assertOk();
});

test('a password is changed by who knows the present one', function () {
    $person = $this->person();
    $this->as($person, 'PUT', '/session/password', ['current' => 'wrong', 'password' => 'another-long-one'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'current');
    $this->as($person, 'PUT', '/session/password', ['current' => TestCase::PASSWORD, 'password' => 'short'])->assertUnprocessable()->assertJsonPath('errors.0.message', 'A password has at least 10 characters.');
    $this->as($person, 'PUT', '/session/password', ['current' => TestCase::PASSWORD, 'password' => 'another-long-one'])->assertNoContent();
    expect(Hash::check('another-long-one', $person->fresh()->password))->toBeTrue();
});

test('changes without the CSRF token are refused', function () {
    $this->withMiddleware(ValidateCsrfToken::class);
    $this->app['env'] = 'production';
    $this->postJson('/api/v1/session', ['email' => 'a@example.org', 'password' => 'x'])->assertStatus(419);
});

test('people to enter as are told in the demo alone', function () {
    foreach (['Student, Keel year', 'Student, Frame year', 'Administrator', 'Coordinator'] as $post) {
        $this->person("As {$post}", ['post' => $post]);
    }
    config(['rota.demo.enabled' => false]);
    $this->getJson('/api/v1/session')->assertJsonPath('demo', null);
    config(['rota.demo.enabled' => true]);
    $this->getJson('/api/v1/session')->assertJsonPath('demo.roles.*.post', ['Coordinator', 'Student, Keel year', 'Administrator'])->assertJsonPath('demo.people.*.post', ['Student, Frame year'])->assertJsonMissingPath('demo.roles.0.id');
});

test('whoever does not ask to stay signed in is remembered by nothing', function () {
    $person = $this->person();
    $cookies = fn (array $more): array => array_map(fn ($cookie): string => $cookie->getName(), $this->postJson('/api/v1/session', $more + ['email' => $person->email, 'password' => TestCase::PASSWORD])->assertOk()->headers->getCookies());
    expect(collect($cookies([]))->contains(fn (string $name): bool => str_starts_with($name, 'remember_')))->toBeFalse()
        ->and(collect($cookies(['stay' => true]))->contains(fn (string $name): bool => str_starts_with($name, 'remember_')))->toBeTrue()
        ->and(config('session.expire_on_close'))->toBeTrue();
});

test('one sees where one is signed in, and ends it there, everywhere else, or an administrator does', function () {
    $ben = $this->person('Ben Oar');
    $sit = function (string $id, int $person, int $ago = 0): void {
        DB::table('sessions')->insert(['id' => $id, 'user_id' => $person, 'ip_address' => '192.0.2.7', 'user_agent' => 'A browser', 'payload' => '', 'last_activity' => now()->getTimestamp() - $ago]);
    };
    $person = $this->person();
    foreach (['one' => 60, 'two' => 30, 'three' => 10] as $id => $ago) {
        $sit($id, $person->id, $ago);
    }
    $sit('another', $ben->id);
    $token = $person->fresh()->remember_token;
    $devices = $this->as($person, 'GET', '/session/devices')->assertOk()->json();
    expect($devices)->toHaveCount(3)->and($devices[0])->toMatchArray(['agent' => 'A browser', 'address' => '192.0.2.7', 'current' => false])->and(json_encode($devices))->not->toContain('three');
    // Nobody ends what is not theirs.
    $this->as($ben, 'DELETE', "/session/devices/{$devices[0]['id']}")->assertNotFound();
    $this->as($person, 'DELETE', "/session/devices/{$devices[0]['id']}")->assertNoContent();
    expect(DB::table('sessions')->whereIn('id', ['one', 'two', 'three'])->orderBy('id')->pluck('id')->all())->toBe(['one', 'two'])->and($person->fresh()->remember_token)->not->toBe($token);
    $this->as($person, 'DELETE', '/session/devices')->assertNoContent();
    expect(DB::table('sessions')->whereIn('id', ['one', 'two'])->count())->toBe(0)->and(DB::table('sessions')->where('id', 'another')->exists())->toBeTrue();
    $this->as($person, 'DELETE', "/people/{$ben->id}/sessions")->assertForbidden();
    $person->update(['role' => 'administrator']);
    $this->as($person, 'DELETE', "/people/{$ben->id}/sessions")->assertNoContent();
    expect(DB::table('sessions')->where('id', 'another')->exists())->toBeFalse()
        ->and($this->as($person, 'GET', '/log')->json('0.words'))->toContain('Ben Oar: signed in from “in 1 place” to “nowhere”');
});

test('an address is counted as what the database would match', function () {
    $person = $this->person('Noor Reader', ['email' => 'noor@example.org']);
    foreach (['noor@example.org', 'nöor@example.org', 'NOOR@example.org', 'noór@example.org ', 'ñoor@example.org'] as $each) {
        $this->postJson('/api/v1/session', ['email' => $each, 'password' => 'wrong'])->assertUnprocessable();
        $this->postJson('/api/v1/session', ['email' => $each, 'password' => 'wrong'])->assertUnprocessable();
    }
    $this->postJson('/api/v1/session', ['email' => $person->email, 'password' => TestCase::PASSWORD])->assertTooManyRequests();
});

test('whether a link from a letter holds is told to who has it, and nothing of who has the address', function () {
    $ada = $this->person();
    parse_str((string) parse_url(WelcomeLink::to($ada), PHP_URL_QUERY), $query);
    $check = fn (string $email, string $token): bool => $this->postJson('/api/v1/session/password-link/check', compact('email', 'token'))->assertOk()->json('holds');
    expect($check($ada->email, $query['token']))->toBeTrue()->and($check($ada->email, 'another'))->toBeFalse()->and($check('nobody@example.org', $query['token']))->toBeFalse();
    $this->putJson('/api/v1/session/password-link', ['email' => $ada->email, 'token' => $query['token'], 'password' => 'another-long-one'])->assertOk();
    expect($check($ada->email, $query['token']))->toBeFalse();
    $ada->update(['status' => 'suspended']);
    parse_str((string) parse_url(WelcomeLink::to($ada), PHP_URL_QUERY), $query);
    expect($check($ada->email, $query['token']))->toBeFalse();
});
