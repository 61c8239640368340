<?php

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Storage;
use Tests\Support\Unfit;

/*
 * Whatever an operation is sent that it is not described with, it answers with a problem that says so: never with a fault
 * of ours. What is sent is made from the description: for each parameter and each property wrong types, nothing, and far
 * too much.
 */
beforeEach(function () {
    Storage::fake();
    Mail::fake();
    $this->ada = $this->person('Ada Quill', ['role' => 'administrator']);
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->event = $this->add($this->slip, $this->ada, title: 'Rowing', start: '2026-11-03T09:00', rule: 'FREQ=WEEKLY;COUNT=3');
});

/** Operations that are tried one by one elsewhere, or end the session that the others need. */
const NOT_TRIED = ['DELETE /session', 'PUT /session/password', 'POST /session', 'PUT /session/password-link', 'POST /session/password-link'];

/** @return array<string, array{string, string, array<string, mixed>}> each operation with its description */
function operations(): array
{
    $description = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/docs/openapi.json'), true);
    $found = [];
    foreach ($description['paths'] as $path => $operations) {
        foreach ($operations as $method => $operation) {
            $name = strtoupper($method)." {$path}";
            if (! in_array($name, NOT_TRIED, true)) {
                $found[$name] = [strtoupper($method), $path, $operation];
            }
        }
    }

    return $found;
}

test('what an operation is not described with is refused, and breaks nothing', function (string $method, string $path, array $operation) {
    $ids = ['{slug}' => $this->slip->slug, '{id}' => (string) $this->event->id, '{pin}' => '0', '{attachment}' => '0', '{task}' => '0', '{operation}' => '0', '{refresh}' => '0', '{key}' => 'a4c6e0b2-0f6e-4f43-9c9c-0c6a3d0b1a11'];
    $unfit = new Unfit(json_decode((string) file_get_contents(base_path('docs/openapi.json')), true)['components']['schemas']);
    $tried = 0;
    foreach ($unfit->requests($operation) as [$what, $parameters, $query, $body]) {
        $address = strtr($path, array_map(rawurlencode(...), $parameters) + $ids).($query === [] ? '' : '?'.http_build_query($query));
        DB::beginTransaction();
        $answer = $this->actingAs($this->ada)->json($method, "/api/v1{$address}", $body ?? [], ['If-Match' => '"1"']);
        $status = $answer->getStatusCode();
        DB::rollBack();
        expect($status)->toBeLessThan(500, "{$method} {$path} with {$what}: {$answer->getContent()}");
        if ($status >= 400) {
            expect($answer->headers->get('Content-Type'))->toBe('application/problem+json', "{$method} {$path} with {$what}");
        }
        $tried++;
    }
    expect($tried)->toBeGreaterThan(0);
})->with(operations());
