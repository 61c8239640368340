<?php

use App\Directory\Person;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
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
    $this->person('Ines Halloran', ['post' => 'Coordinator']);
    config(['rota.demo.enabled' => false]);
    $this->getJson('/api/v1/session')->assertJsonPath('demo', null);
    config(['rota.demo.enabled' => true]);
    $this->getJson('/api/v1/session')->assertJsonPath('demo.people.0.post', 'Coordinator')->assertJsonMissingPath('demo.people.0.id');
});
