<?php

// An instance is a directory: its .env, its storage, and what is cached of its configuration. The demo, the tests and a
// production site are three of them.
$home = getenv('ROTA_HOME') ?: dirname(__DIR__).'/var/demo';

// Each release has caches of its own, so that another can be made ready, or taken up again, while one serves.
return [$home, $home.'/cache/'.(is_file(__DIR__.'/../RELEASE') ? trim((string) file_get_contents(__DIR__.'/../RELEASE')) : 'here')];
