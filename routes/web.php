<?php

use App\Api\ApiPageController;
use App\Api\OpenApiController;
use App\Feeds\FeedDownloadController;
use App\Following\StopLetters;
use App\Frames\FramePageController;
use App\Invitations\AnswerPageController;
use App\Publishing\PublishedEventController;
use App\Publishing\PublishedFilesController;
use App\Publishing\PublishedPageController;
use App\Publishing\SitemapController;
use App\Upkeep\MetricsController;
use App\Upkeep\WebSettingsController;
use Illuminate\Support\Facades\Route;

Route::get('feeds/{token}.ics', [FeedDownloadController::class, 'show'])
    ->where('token', '[A-Za-z0-9_-]+')->middleware('throttle:feeds');
Route::get('public/{slug}.ics', [FeedDownloadController::class, 'public'])->where('slug', '[a-z0-9-]+')->middleware('throttle:feeds');
Route::get('p/{address}.ics', [PublishedFilesController::class, 'calendar'])->where('address', '[A-Za-z0-9_-]+')->middleware('throttle:published');
Route::get('p/{address}.xlsx', [PublishedFilesController::class, 'xlsx'])->where('address', '[A-Za-z0-9_-]+')->middleware('throttle:published');
Route::get('p/{address}.csv', [PublishedFilesController::class, 'csv'])->where('address', '[A-Za-z0-9_-]+')->middleware('throttle:published');
Route::get('p/{address}', [PublishedPageController::class, 'show'])->where('address', '[A-Za-z0-9_-]+')->middleware('throttle:published');
Route::get('p/{address}/frame', [PublishedPageController::class, 'frame'])->where('address', '[A-Za-z0-9_-]+')->middleware('throttle:published');
Route::get('p/{address}/screen', [PublishedPageController::class, 'screen'])->where('address', '[A-Za-z0-9_-]+')->middleware('throttle:published');
Route::get('p/{address}/{date}/{name}.ics', [PublishedEventController::class, 'file'])->where(['address' => '[A-Za-z0-9_-]+', 'date' => '\d{4}-\d\d-\d\d', 'name' => '[0-9a-f]{20}'])->middleware('throttle:published');
Route::get('p/{address}/{date}/{name}', [PublishedEventController::class, 'show'])->where(['address' => '[A-Za-z0-9_-]+', 'date' => '\d{4}-\d\d-\d\d', 'name' => '[0-9a-f]{20}'])->middleware('throttle:published');
Route::get('members/{key}', [FramePageController::class, 'show'])->where('key', '[0-9a-f]{32}')->middleware('throttle:published');
Route::get('asked/{code}', [AnswerPageController::class, 'show'])->where('code', '[0-9A-Za-z-]+')->middleware('throttle:published');
Route::post('asked/{code}', [AnswerPageController::class, 'store'])->where('code', '[0-9A-Za-z-]+')->middleware('throttle:published');
Route::post('asked/{code}/guests', [AnswerPageController::class, 'bring'])->where('code', '[0-9A-Za-z-]+')->middleware('throttle:published');
Route::get('unsubscribe/{person}/{pace}', [StopLetters::class, 'show'])->where(['person' => '\d+', 'pace' => 'now|daily|weekly'])->middleware(['throttle:published', 'signed:relative'])->name('letters.stop');
Route::post('unsubscribe/{person}/{pace}', [StopLetters::class, 'store'])->where(['person' => '\d+', 'pace' => 'now|daily|weekly'])->middleware(['throttle:published', 'signed:relative']);
Route::get('sitemap.xml', [SitemapController::class, 'show'])->middleware('throttle:feeds');
Route::get('metrics', MetricsController::class);
Route::get('upkeep/web', WebSettingsController::class)->middleware('signed:relative')->name('upkeep.web');
Route::get('api', ApiPageController::class);
Route::get('api/openapi.json', OpenApiController::class);

// Every other address is the application's: its routes are in resources/js.
Route::view('/{any?}', 'application')->where('any', '^(?!api/|metrics$|feeds/|public/|p/|asked/|unsubscribe/|members/|sitemap\.xml$|build/).*$');
