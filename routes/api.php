<?php

use App\Access\GrantsController;
use App\Access\ReasonsController;
use App\Access\RequestsController;
use App\Access\WaitingController;
use App\Attachments\AttachmentsController;
use App\Bulk\BulkController;
use App\Calendars\CalendarDirectoryController;
use App\Calendars\CalendarsController;
use App\Calendars\CategoriesController;
use App\ChangeLog\ChangeLogController;
use App\Changes\ChangesController;
use App\Copies\CopiesController;
use App\Directory\DevicesController;
use App\Directory\DirectoryController;
use App\Directory\GroupsController;
use App\Directory\PeopleController;
use App\Directory\PeopleTableController;
use App\Directory\SessionController;
use App\Events\EventsController;
use App\Feeds\CalendarFilesController;
use App\Feeds\FeedsController;
use App\Find\FindController;
use App\History\HistoryController;
use App\History\OperationsController;
use App\Imports\ImportsController;
use App\Jobs\JobsController;
use App\Live\LiveController;
use App\OneLine\LineController;
use App\Organisation\OrganisationController;
use App\Overlays\OverlaysController;
use App\Overlays\OverlaySharingController;
use App\Overlays\SheetController;
use App\Participants\AnswersController;
use App\Pins\PinsController;
use App\Preparation\TasksController;
use App\Recurrence\RepeatController;
use App\Rooms\RoomsController;
use App\SecondFactor\SecondFactorController;
use App\Sources\SourcesController;
use App\Table\TableController;
use App\Upkeep\HealthController;
use App\Weeks\WeeksController;
use Illuminate\Support\Facades\Route;

Route::get('health', HealthController::class)->withoutMiddleware('api');

Route::get('session', [SessionController::class, 'show']);
Route::post('session', [SessionController::class, 'store'])->middleware('throttle:sign-in');
Route::delete('session', [SessionController::class, 'destroy']);
Route::post('session/password-link', [SessionController::class, 'sendPasswordLink'])->middleware('throttle:sign-in');
Route::put('session/password-link', [SessionController::class, 'setPassword'])->middleware('throttle:sign-in');

Route::middleware('auth')->group(function (): void {
    Route::put('session/password', [SessionController::class, 'changePassword'])->middleware('throttle:sign-in');
    Route::get('session/second-factor', [SecondFactorController::class, 'show']);
    Route::post('session/second-factor', [SecondFactorController::class, 'store'])->middleware('throttle:sign-in');
    Route::put('session/second-factor', [SecondFactorController::class, 'confirm'])->middleware('throttle:sign-in');
    Route::delete('session/second-factor', [SecondFactorController::class, 'destroy'])->middleware('throttle:sign-in');
    Route::post('session/second-factor/codes', [SecondFactorController::class, 'codes'])->middleware('throttle:sign-in');
    Route::get('session/devices', [DevicesController::class, 'index']);
    Route::delete('session/devices', [DevicesController::class, 'others']);
    Route::delete('session/devices/{device}', [DevicesController::class, 'one'])->where('device', '[0-9a-f]{24}');
    Route::delete('people/{id}/second-factor', [SecondFactorController::class, 'endOf']);
    Route::delete('people/{id}/sessions', [DevicesController::class, 'person']);
    Route::patch('session/person', [SessionController::class, 'update']);
    Route::get('changes', [ChangesController::class, 'show']);
    Route::get('live', [LiveController::class, 'open']);
    Route::get('directory', [DirectoryController::class, 'index']);
    Route::get('directory/calendars', [CalendarDirectoryController::class, 'index']);

    Route::get('people', [PeopleController::class, 'index']);
    Route::post('people', [PeopleController::class, 'store']);
    Route::post('people/table', [PeopleTableController::class, 'store']);
    Route::patch('people/{id}', [PeopleController::class, 'update']);
    Route::post('people/{id}/invitation', [PeopleController::class, 'invite']);
    Route::put('people/{id}/suspended', [PeopleController::class, 'suspend']);
    Route::get('people/{id}/kept', [PeopleController::class, 'kept']);
    Route::post('people/{id}/departure', [PeopleController::class, 'depart']);
    Route::delete('people/{id}/departure', [PeopleController::class, 'return']);
    Route::get('organisation', [OrganisationController::class, 'show']);
    Route::patch('organisation', [OrganisationController::class, 'update']);
    Route::get('log', [ChangeLogController::class, 'organisation']);
    Route::post('log/{id}/revert', [ChangeLogController::class, 'revertOrganisation']);

    Route::get('groups', [GroupsController::class, 'index']);
    Route::post('groups', [GroupsController::class, 'store']);
    Route::patch('groups/{id}', [GroupsController::class, 'update']);
    Route::delete('groups/{id}', [GroupsController::class, 'destroy']);
    Route::put('groups/{id}/members', [GroupsController::class, 'member']);

    Route::get('rooms', [RoomsController::class, 'index']);
    Route::post('rooms', [RoomsController::class, 'store']);
    Route::patch('rooms/{id}', [RoomsController::class, 'update']);
    Route::delete('rooms/{id}', [RoomsController::class, 'destroy']);

    Route::get('calendars', [CalendarsController::class, 'index']);
    Route::post('calendars', [CalendarsController::class, 'store']);
    Route::patch('calendars/{slug}', [CalendarsController::class, 'update']);
    Route::delete('calendars/{slug}', [CalendarsController::class, 'destroy']);
    Route::post('calendars/{slug}/restore', [CalendarsController::class, 'restore']);
    Route::put('calendars/{slug}/keeper', [CalendarsController::class, 'handOver']);
    Route::put('calendars/{slug}/archived', [CalendarsController::class, 'archive']);
    Route::put('calendars/{slug}/list', [CalendarsController::class, 'list']);
    Route::get('categories', [CategoriesController::class, 'index']);
    Route::post('categories', [CategoriesController::class, 'store']);
    Route::patch('categories/{id}', [CategoriesController::class, 'update']);
    Route::delete('categories/{id}', [CategoriesController::class, 'destroy']);

    Route::get('calendars/{slug}/grants', [GrantsController::class, 'index']);
    Route::put('calendars/{slug}/grants', [GrantsController::class, 'put']);
    Route::post('calendars/{slug}/grants/addresses', [GrantsController::class, 'addresses']);
    Route::delete('calendars/{slug}/grants/own', [GrantsController::class, 'leave']);
    Route::get('calendars/{slug}/people', [ReasonsController::class, 'people']);
    Route::get('calendars/{slug}/managers', [ReasonsController::class, 'managers']);
    Route::post('calendars/{slug}/requests', [RequestsController::class, 'store']);
    Route::delete('calendars/{slug}/requests', [RequestsController::class, 'destroy']);
    Route::get('calendars/{slug}/log', [ChangeLogController::class, 'calendar']);
    Route::post('calendars/{slug}/log/{id}/revert', [ChangeLogController::class, 'revert']);
    Route::get('waiting', [WaitingController::class, 'index']);
    Route::put('invitations/{id}', [WaitingController::class, 'answer']);
    Route::put('requests/{id}', [RequestsController::class, 'decide']);
    Route::put('requests/{id}/seen', [RequestsController::class, 'seen']);

    Route::post('events', [EventsController::class, 'store']);
    Route::get('events/{id}', [EventsController::class, 'show']);
    Route::patch('events/{id}', [EventsController::class, 'update']);
    Route::delete('events/{id}', [EventsController::class, 'destroy']);
    Route::post('events/{id}/restore', [EventsController::class, 'restore']);

    Route::post('events/{id}/copies', [CopiesController::class, 'store']);
    Route::post('events/{id}/pins', [PinsController::class, 'store']);
    Route::delete('events/{id}/pins/{pin}', [PinsController::class, 'destroy']);
    Route::get('calendars/{slug}/pins', [PinsController::class, 'index']);
    Route::post('events/{id}/join', [PinsController::class, 'join']);
    Route::delete('events/{id}/join', [PinsController::class, 'leave']);
    Route::post('events/{id}/attachments', [AttachmentsController::class, 'store']);
    Route::get('events/{id}/attachments/{attachment}', [AttachmentsController::class, 'show']);
    Route::delete('events/{id}/attachments/{attachment}', [AttachmentsController::class, 'destroy']);
    Route::get('tasks', [TasksController::class, 'index']);
    Route::put('events/{id}/tasks/{task}/done', [TasksController::class, 'done']);
    Route::put('events/{id}/answer', [AnswersController::class, 'update']);
    Route::post('operations/{id}/undo', [OperationsController::class, 'undo']);
    Route::post('operations/{id}/redo', [OperationsController::class, 'redo']);
    Route::get('events/{id}/history', [HistoryController::class, 'index']);
    Route::post('events/{id}/history/{operation}/restore', [HistoryController::class, 'restore']);
    Route::get('calendars/{slug}/deleted', [HistoryController::class, 'deleted']);
    Route::get('repeat', [RepeatController::class, 'show']);
    Route::get('line', [LineController::class, 'show']);
    Route::get('table', [TableController::class, 'show']);
    Route::get('table/whole', [TableController::class, 'whole']);
    Route::post('bulk/preview', [BulkController::class, 'preview']);
    Route::post('bulk', [BulkController::class, 'store']);
    Route::post('weeks/preview', [WeeksController::class, 'preview']);
    Route::post('weeks', [WeeksController::class, 'store']);
    Route::get('find', [FindController::class, 'index']);
    Route::get('sheet', [SheetController::class, 'sheet']);
    Route::get('ruler', [SheetController::class, 'ruler']);
    Route::get('overlays', [OverlaysController::class, 'index']);
    Route::post('overlays', [OverlaysController::class, 'store']);
    Route::put('overlays/{slug}', [OverlaysController::class, 'update']);
    Route::delete('overlays/{slug}', [OverlaysController::class, 'destroy']);
    Route::post('overlays/{slug}/restore', [OverlaysController::class, 'restore']);
    Route::get('overlays/{slug}/grants', [OverlaySharingController::class, 'index']);
    Route::put('overlays/{slug}/grants', [OverlaySharingController::class, 'put']);
    Route::get('overlays/{slug}/log', [ChangeLogController::class, 'overlay']);
    Route::put('overlays/{slug}/keeper', [OverlaySharingController::class, 'handOver']);

    Route::get('feeds', [FeedsController::class, 'index']);
    Route::post('calendars/{slug}/feeds', [FeedsController::class, 'store']);
    Route::delete('feeds/{id}', [FeedsController::class, 'destroy']);

    Route::post('calendars/{slug}/imports', [ImportsController::class, 'store']);
    Route::post('imports/{id}/apply', [ImportsController::class, 'apply']);

    Route::post('calendars/{slug}/files', [CalendarFilesController::class, 'store']);

    Route::get('jobs', [JobsController::class, 'index']);
    Route::get('jobs/{id}', [JobsController::class, 'show']);
    Route::delete('jobs/{id}', [JobsController::class, 'destroy']);
    Route::put('jobs/{id}/seen', [JobsController::class, 'seen']);
    Route::get('jobs/{id}/file', [JobsController::class, 'file']);

    Route::get('sources', [SourcesController::class, 'index']);
    Route::post('sources', [SourcesController::class, 'store'])->middleware('throttle:fetching');
    Route::post('sources/{id}/refresh', [SourcesController::class, 'refresh'])->middleware('throttle:fetching');
});
