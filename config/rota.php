<?php

return [

    /* The demo lists its people on the sign-in page, with the password they share. */
    'demo' => [
        'enabled' => (bool) env('ROTA_DEMO', false),
        'password' => env('ROTA_DEMO_PASSWORD', 'high-water-mark'),
    ],

    /* The zone that dates without one are read in, until a person has another. */
    'timezone' => in_array(env('ROTA_TIMEZONE', 'Europe/London'), timezone_identifiers_list(DateTimeZone::ALL_WITH_BC), true) ? env('ROTA_TIMEZONE', 'Europe/London') : 'UTC',
    /* As it is written: rota:doctor says where there is no such zone. */
    'timezone_written' => env('ROTA_TIMEZONE', 'Europe/London'),

    /* Reverse proxies that say from where and by which way somebody comes: addresses or networks. Comma-separated. */
    'trusted_proxies' => array_values(array_filter(array_map(trim(...), explode(',', (string) env('ROTA_TRUSTED_PROXIES', ''))))),

    /* How its units are called: “NAME-work” and the like. */
    'units' => env('ROTA_UNITS', 'pinned-rota'),

    'occurrences' => [
        /* How far from today series are kept in the index, in days; beyond it the core expands them on demand. */
        'days_back' => 800,
        'days_ahead' => 800,
    ],

    /* How long what is no longer in use is kept; rota:tidy ends it each night. */
    'keep' => [
        /* A deleted event can be brought back, and so a file that was taken off; the sync log tells of it. */
        'deleted_days' => 90,
        /* What was done with events, with the states before and after: history, undo, earlier states. */
        'history_days' => 400,
        /* By which open browsers learn that something has changed. */
        'change_mark_days' => 7,
        /* The keys under which things were done, with their answers: as long as somebody may ask again. */
        'key_days' => 2,
        /* Long work that has ended, and what came of it. */
        'job_days' => 7,
        /* What went out by mail, to whom, and what was told under “For you”. */
        'letter_days' => 90,
        /* Who came in and who could not. */
        'sign_in_days' => 180,
    ],

    /* What one request may work out in all; with more it is refused, and says so. */
    'budget' => [
        /* Steps through rules and times that come of them: some ten seconds at most. */
        'steps' => 3_000_000,
        /* Where nobody waits. */
        'steps_in_background' => 100_000_000,
        /* Of what PHP may use. */
        'memory' => 0.8,
    ],

    /* Who may read /metrics: addresses or networks. Comma-separated. */
    'metrics' => [
        'from' => array_filter(explode(',', (string) env('ROTA_METRICS_FROM', '127.0.0.1,::1'))),
    ],

    'live' => [
        /* Where the web server takes what is to be told to open browsers (deploy/nginx/live.conf); without it they ask now and then. */
        'publisher' => env('ROTA_LIVE_PUBLISHER'),
        /* After this many hours nobody listens any more who has not opened a connection anew; they end after one. */
        'viewer_hours' => 3,
    ],

    'jobs' => [
        /* So many events are changed or brought in while whoever asked for it waits; more is done in the background. */
        'at_once' => 300,
    ],

    'letters' => [
        /* Of what is changed several times within so many seconds those who are asked get one letter. */
        'gather_seconds' => (int) env('ROTA_LETTERS_GATHER', 600),
        /* Of what is near at hand they are told after so many, within which it can be undone. */
        'undo_seconds' => (int) env('ROTA_LETTERS_UNDO', 10),
        /* Hours at which nobody is written to about what is more than a day away, such as 22-7, on the clock of whoever it is for. */
        'quiet' => (string) env('ROTA_LETTERS_QUIET', ''),
        /* Nobody gets more than so many within an hour; what is more waits. */
        'per_hour' => 60,
    ],

    'imports' => [
        'max_kilobytes' => 20 * 1024,
        /* A file looked at and not brought in is dropped after this many hours. */
        'keep_hours' => 24,
        /* One that was brought in can be had again for so many days. */
        'keep_days' => 90,
    ],

    'attachments' => [
        'max_kilobytes' => 20 * 1024,
    ],

    'sources' => [
        /* host:port pairs that may be on the own network: the stand-in of the demo. Comma-separated. */
        'trusted' => array_filter(explode(',', (string) env('ROTA_TRUSTED_SOURCES', ''))),
        'timeout_seconds' => 20,
        'max_bytes' => 10 * 1024 * 1024,
        'max_redirects' => 4,
        'refresh_minutes' => 60,
    ],

    'standins' => [
        'url' => env('ROTA_STANDINS_URL'),
    ],

];
