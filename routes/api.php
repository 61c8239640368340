<?php

use App\Access\GrantsController;
use App\Calendars\CalendarsController;
use App\Changes\ChangesController;
use App\Directory\DirectoryController;
use App\Directory\GroupsController;
use App\Directory\SessionController;
use App\Events\EventsController;
use App\Feeds\FeedsController;
use App\Imports\ImportsController;
use App\Overlays\OverlaysController;
use App\Overlays\SheetController;
use App\Sources\SourcesController;
use Illuminate\Support\Facades\Route;

Route::get('health', fn () => response()->json(['ok' => true]))->withoutMiddleware('api');

Route::get('session', [SessionController::class, 'show']);
Route::post('session', [SessionController::class, 'store'])->middleware('throttle:sign-in');
Route::delete('session', [SessionController::class, 'destroy']);

Route::middleware('auth')->group(function (): void {
    Route::put('session/password', [SessionController::class, 'changePassword'])->middleware('throttle:sign-in');
    Route::get('changes', [ChangesController::class, 'show']);
    Route::get('directory', [DirectoryController::class, 'index']);

    Route::get('groups', [GroupsController::class, 'index']);
    Route::post('groups', [GroupsController::class, 'store']);
    Route::patch('groups/{id}', [GroupsController::class, 'update'])->whereNumber('id');
    Route::delete('groups/{id}', [GroupsController::class, 'destroy'])->whereNumber('id');
    Route::put('groups/{id}/members', [GroupsController::class, 'member'])->whereNumber('id');

    Route::get('calendars', [CalendarsController::class, 'index']);
    Route::post('calendars', [CalendarsController::class, 'store']);
    Route::patch('calendars/{slug}', [CalendarsController::class, 'update']);
    Route::delete('calendars/{slug}', [CalendarsController::class, 'destroy']);
    Route::post('calendars/{slug}/restore', [CalendarsController::class, 'restore']);
    Route::get('categories', [CalendarsController::class, 'categories']);

    Route::get('calendars/{slug}/grants', [GrantsController::class, 'index']);
    Route::put('calendars/{slug}/grants', [GrantsController::class, 'put']);

    Route::post('events', [EventsController::class, 'store']);
    Route::get('events/{id}', [EventsController::class, 'show'])->whereNumber('id');
    Route::patch('events/{id}', [EventsController::class, 'update'])->whereNumber('id');
    Route::delete('events/{id}', [EventsController::class, 'destroy'])->whereNumber('id');
    Route::post('events/{id}/restore', [EventsController::class, 'restore'])->whereNumber('id');

    Route::get('sheet', [SheetController::class, 'sheet']);
    Route::get('ruler', [SheetController::class, 'ruler']);
    Route::get('overlays', [OverlaysController::class, 'index']);
    Route::post('overlays', [OverlaysController::class, 'store']);
    Route::put('overlays/{slug}', [OverlaysController::class, 'update']);
    Route::delete('overlays/{slug}', [OverlaysController::class, 'destroy']);
    Route::post('overlays/{slug}/restore', [OverlaysController::class, 'restore']);
    Route::put('overlays/{slug}/everyone', [OverlaysController::class, 'share']);

    Route::get('feeds', [FeedsController::class, 'index']);
    Route::post('calendars/{slug}/feeds', [FeedsController::class, 'store']);
    Route::delete('feeds/{id}', [FeedsController::class, 'destroy'])->whereNumber('id');

    Route::post('calendars/{slug}/imports', [ImportsController::class, 'store']);
    Route::post('imports/{id}/apply', [ImportsController::class, 'apply'])->whereNumber('id');

    Route::get('sources', [SourcesController::class, 'index']);
    Route::post('sources', [SourcesController::class, 'store'])->middleware('throttle:fetching');
    Route::post('sources/{id}/refresh', [SourcesController::class, 'refresh'])->whereNumber('id')->middleware('throttle:fetching');
});
