<?php

arch('the core knows no framework, no database and no application')
    ->expect('PinnedRota\Core')
    ->not->toUse(['Illuminate', 'App', 'Carbon', 'Laravel', 'Symfony', 'GuzzleHttp', 'PDO', 'mysqli']);

arch('the core is strict about types')
    ->expect('PinnedRota\Core')
    ->toUseStrictTypes();

arch('the core does no input or output but on streams it is given')
    ->expect('PinnedRota\Core')
    ->not->toUse(['file_get_contents', 'file_put_contents', 'curl_init', 'time', 'date', 'getenv', 'echo', 'rand', 'mt_rand']);

foreach (glob(__DIR__.'/../../app/*/*Controller.php') as $file) {
    $controller = 'App\\'.basename(dirname($file)).'\\'.basename($file, '.php');
    arch("{$controller} holds no rules: it decides no access and expands nothing")
        ->expect($controller)
        ->not->toUse(['PinnedRota\Core\Access\Access', 'PinnedRota\Core\Recurrence', 'PinnedRota\Core\Overlay\Composition', 'PinnedRota\Core\ICalendar\ComponentReader']);
}

arch('one class writes the rows of series, and commands alone call it')
    ->expect('App\Events\Write\SeriesTable')
    ->toOnlyBeUsedIn('App\Events\Write');

arch('one class puts rows of series back')
    ->expect('App\Events\Write\SeriesRestorer')
    ->toOnlyBeUsedIn('App\Events\Write\SeriesTable');

arch('only changes of events write the occurrence index')
    ->expect('App\Occurrences\OccurrenceIndex')
    ->toOnlyBeUsedIn(['App\Occurrences', 'App\RotaServiceProvider']);

arch('occurrences are read for somebody by one way')
    ->expect('App\Occurrences\OccurrenceQuery')
    ->toOnlyBeUsedIn(['App\Occurrences', 'App\Events\Read\SeenOccurrences', 'App\Events\Read\SeenCounts']);

arch('one place blanks')
    ->expect('PinnedRota\Core\Access\Redaction')
    ->toOnlyBeUsedIn(['App\Events\Read', 'App\Events\EventPresenter']);

arch('what writes and reads events knows of no request')
    ->expect(['App\Events\Write', 'App\Events\Read', 'App\Occurrences'])
    ->not->toUse(['App\Access\CurrentViewer', 'Illuminate\Http', 'Illuminate\Support\Facades\Auth', 'Illuminate\Foundation\Http\FormRequest']);

foreach (Symfony\Component\Finder\Finder::create()->files()->in(__DIR__.'/../../app')->name('*Data.php') as $file) {
    $answer = 'App\\'.strtr(substr($file->getRelativePathname(), 0, -4), '/', '\\');
    arch("{$answer} is an answer: told as it was made")->expect($answer)->toBeFinal()->toBeReadonly();
}

test('nothing is answered but by a class that is described', function () {
    foreach (Symfony\Component\Finder\Finder::create()->files()->in(__DIR__.'/../../app')->name('*.php') as $file) {
        expect(preg_match('/new JsonResponse\(\[|response\(\)->json\(/', $file->getContents()))->toBe(0, $file->getRelativePathname());
    }
});

arch('only access decides access')
    ->expect('PinnedRota\Core\Access\Access')
    ->toOnlyBeUsedIn(['App\Access', 'PinnedRota\Core\Access']);

arch('only sources reach out to the network')
    ->expect('GuzzleHttp')
    ->toOnlyBeUsedIn('App\Sources');

arch('nothing is left that was for finding faults')
    ->expect(['dd', 'dump', 'var_dump', 'ray', 'print_r'])
    ->not->toBeUsed();

arch('the demo is no part of the application')
    ->expect('Database\Seeders')
    ->not->toBeUsedIn(['App', 'PinnedRota\Core']);
