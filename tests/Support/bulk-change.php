<?php

/** Carries out a bulk change as a process of its own, to be killed: PERSON as argument, the request’s body as input. */

use App\Directory\Person;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

require __DIR__.'/../../vendor/autoload.php';

$app = require __DIR__.'/../../bootstrap/app.php';
$request = Request::create('/api/v1/bulk', 'POST', server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], content: (string) stream_get_contents(STDIN));
$app->instance('request', $request);
$kernel = $app->make(Kernel::class);
$kernel->bootstrap();
Auth::guard('web')->setUser(Person::query()->findOrFail((int) $argv[1]));
echo $kernel->handle($request)->getStatusCode();
