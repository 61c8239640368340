<?php

use Tests\Support\Fuzz;

// Many more of them, each with a bound of time and memory: php tests/Support/fuzz.php

test('whatever came to harm in a file, it is read, written the same twice, and means the same where nothing is wrong with it', function (int $seed) {
    mt_srand($seed);
    $fuzz = Fuzz::ofEverything();
    $came = ['events' => 0, 'clean' => 0, 'expanded' => 0];
    for ($number = 0; $number < 750; $number++) {
        mt_srand($seed * 1_000_003 + $number);
        $text = $fuzz->file();
        try {
            $result = Fuzz::check($text);
        } catch (Throwable $problem) {
            $this->fail("seed {$seed}, file {$number}: ".$problem::class.": {$problem->getMessage()}\n{$problem->getFile()}:{$problem->getLine()}");
        }
        $came = ['events' => $came['events'] + $result['events'], 'clean' => $came['clean'] + (int) $result['clean'], 'expanded' => $came['expanded'] + (int) ($result['clean'] && $result['expanded'])];
    }
    // What is asked of sound files was asked of many.
    expect($came['events'])->toBeGreaterThan(750)->and($came['clean'])->toBeGreaterThan(60)->and($came['expanded'])->toBeGreaterThan(60);
})->with([101, 102, 103, 104]);
