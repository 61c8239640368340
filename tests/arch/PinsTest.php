<?php

use Symfony\Component\Process\Process;

/* What is installed is what was tried, to the last package that nobody here asks for by name. */

/** @return array{int, string} how bin/pins --check ends in a project whose installed packages these changes were made to */
function checkPins(Closure $change): array
{
    $root = dirname(__DIR__, 2);
    $copy = sys_get_temp_dir().'/rota-pins-'.bin2hex(random_bytes(4));
    foreach (['bin', 'vendor/composer', 'packages/pins', 'packages/pins-dev'] as $folder) {
        mkdir("{$copy}/{$folder}", recursive: true);
    }
    foreach (['bin/pins', 'composer.json', 'packages/pins/composer.json', 'packages/pins-dev/composer.json'] as $file) {
        copy("{$root}/{$file}", "{$copy}/{$file}");
    }
    $installed = json_decode((string) file_get_contents("{$root}/vendor/composer/installed.json"), true);
    file_put_contents("{$copy}/vendor/composer/installed.json", json_encode($change($installed)));
    $process = new Process(['php', "{$copy}/bin/pins", '--check']);
    $process->run();
    (new Process(['rm', '-rf', $copy]))->run();

    return [(int) $process->getExitCode(), $process->getErrorOutput()];
}

/** @param  array<string, mixed>  $installed */
function changed(array $installed, string $name, ?Closure $change): array
{
    foreach ($installed['packages'] as $index => $package) {
        if ($package['name'] === $name) {
            $installed['packages'][$index] = $change === null ? null : $change($package);
        }
    }
    $installed['packages'] = array_values(array_filter($installed['packages']));

    return $installed;
}

test('the packages that are installed here are those that were tried', function () {
    expect(checkPins(fn (array $installed): array => $installed))->toBe([0, '']);
});

test('another version, another content, one too few and one too many are each refused by name', function (Closure $change, string $told) {
    [$status, $errors] = checkPins($change);
    expect($status)->toBe(1)->and($errors)->toContain($told)->and(substr_count($errors, "\n"))->toBe(2);
})->with([
    'another version' => [fn (array $is): array => changed($is, 'monolog/monolog', fn (array $each): array => ['version' => '99.0.0'] + $each), 'monolog/monolog is 99.0.0, and'],
    'one that is asked for by name' => [fn (array $is): array => changed($is, 'laravel/framework', fn (array $each): array => ['version' => 'v12.0.1'] + $each), 'laravel/framework is 12.0.1, and'],
    'another content' => [fn (array $is): array => changed($is, 'monolog/monolog', fn (array $each): array => ['dist' => ['reference' => 'moved']] + $each), 'has another content'],
    'one too few' => [fn (array $is): array => changed($is, 'monolog/monolog', null), 'is not installed'],
    'one too many' => [fn (array $is): array => ['packages' => [...$is['packages'], ['name' => 'somebody/else', 'version' => '1.0.0', 'dist' => ['reference' => 'a']]]] + $is, 'somebody/else 1.0.0 is installed, and was never tried'],
]);

test('nothing names where packages come from', function () {
    $root = dirname(__DIR__, 2);
    expect(is_file("{$root}/composer.lock") && trim((string) shell_exec("git -C {$root} ls-files composer.lock")) !== '')->toBeFalse();
    foreach (['packages/pins/composer.json', 'packages/pins-dev/composer.json', 'package-lock.json', 'composer.json'] as $file) {
        expect(file_get_contents("{$root}/{$file}"))->not->toMatch('#"resolved": "https?://#');
    }
});
