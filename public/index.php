<?php

use Illuminate\Http\Request;

define('LARAVEL_START', microtime(true));

// What is published and has not changed since is answered without the framework.
if (preg_match('#^/(p|feeds|public)/#', $_SERVER['REQUEST_URI'] ?? '') === 1) {
    require __DIR__.'/../app/Publishing/Kept/KeptAnswers.php';
    require __DIR__.'/../app/Publishing/Kept/KeptAnswer.php';
    if (App\Publishing\Kept\KeptAnswers::of(...(require __DIR__.'/../bootstrap/home.php'))->answer($_SERVER)) {
        return;
    }
}

require __DIR__.'/../vendor/autoload.php';

(require __DIR__.'/../bootstrap/app.php')->handleRequest(Request::capture());
