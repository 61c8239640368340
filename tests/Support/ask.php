<?php

/**
 * Asks the API as a process of its own, to be one of many or to be killed: PERSON as argument; as input, a list of what is
 * asked for (method, path, body, key). Prints the statuses of the answers as JSON.
 */

use App\Directory\Person;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

require __DIR__.'/../../vendor/autoload.php';

$app = require __DIR__.'/../../bootstrap/app.php';
$first = Request::create('/api/v1/health');
$app->instance('request', $first);
$kernel = $app->make(Kernel::class);
$kernel->bootstrap();
$statuses = [];
foreach (json_decode((string) stream_get_contents(STDIN), true) as $asked) {
    $app->forgetScopedInstances();
    collect($app['router']->getRoutes()->getRoutes())->each->flushController();
    $server = ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'] + (isset($asked['key']) ? ['HTTP_IDEMPOTENCY_KEY' => $asked['key']] : []);
    $request = Request::create("/api/v1{$asked['path']}", $asked['method'], server: $server, content: json_encode($asked['body'] ?? new stdClass));
    $app->instance('request', $request);
    Auth::guard('web')->setUser(Person::query()->findOrFail((int) $argv[1]));
    $statuses[] = $kernel->handle($request)->getStatusCode();
}
echo json_encode($statuses);
