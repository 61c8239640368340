<?php

use Illuminate\Foundation\Testing\RefreshDatabase;
use Tests\TestCase;

pest()->extend(TestCase::class)->use(RefreshDatabase::class)->in('app');

// What runs in several processes at once is kept for all of them to see; each test takes away what it made.
pest()->extend(TestCase::class)->in('broken');
