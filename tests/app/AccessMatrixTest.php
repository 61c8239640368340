<?php

use App\Access\AccessRequest;
use App\Access\Invitation;
use App\Attachments\Attachment;
use App\Calendars\Calendar;
use App\Calendars\Category;
use App\ChangeLog\ChangeLog;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\PinSeries;
use App\Events\Write\Commands\SetJoinable;
use App\Events\Write\OperationKind;
use App\Feeds\Feed;
use App\Frames\MemberFrame;
use App\History\OperationSeries;
use App\Preparation\Task;
use App\Publishing\Publication;
use App\Publishing\PublicationLink;
use App\Remarks\Remark;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Storage;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Publishing\SecretToken;
use Spatie\Activitylog\Models\Activity;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Tests\Support\Make;

/**
 * Every operation of the API on a calendar, and what each level is answered, written by hand from the product's rules:
 * none, Busy times, Read, Contribute, Edit, Manage.
 */
const ON_CALENDARS = [
    'PATCH calendars/{slug}' => [404, 403, 403, 403, 403, 200],
    'DELETE calendars/{slug}' => [404, 403, 403, 403, 403, 204],
    'POST calendars/{slug}/restore' => [404, 404, 404, 404, 404, 200],
    'PUT calendars/{slug}/keeper' => [404, 403, 403, 403, 403, 200],
    'PUT calendars/{slug}/archived' => [404, 403, 403, 403, 403, 200],
    'PUT calendars/{slug}/list' => [404, 200, 200, 200, 200, 200],
    'PUT calendars/{slug}/look' => [404, 200, 200, 200, 200, 200],
    'GET calendars/{slug}/grants' => [404, 403, 403, 403, 403, 200],
    'PUT calendars/{slug}/grants' => [404, 403, 403, 403, 403, 200],
    'POST calendars/{slug}/grants/addresses' => [404, 403, 403, 403, 403, 200],
    'DELETE calendars/{slug}/grants/own' => [404, 204, 204, 204, 204, 204],
    'GET calendars/{slug}/people' => [404, 403, 403, 403, 403, 200],
    'GET calendars/{slug}/unseeing' => [404, 403, 403, 422, 422, 422],
    'GET calendars/{slug}/managers' => [404, 200, 200, 200, 200, 200],
    'POST calendars/{slug}/requests' => [404, 201, 201, 201, 422, 422],
    'DELETE calendars/{slug}/requests' => [404, 204, 204, 204, 204, 204],
    'GET calendars/{slug}/log' => [404, 403, 403, 403, 403, 200],
    'POST calendars/{slug}/log/{entry}/revert' => [404, 403, 403, 403, 403, 200],
    'GET calendars/{slug}/pins' => [404, 403, 403, 403, 200, 200],
    'GET calendars/{slug}/sources' => [404, 403, 403, 403, 200, 200],
    'POST calendars/{slug}/feeds' => [404, 403, 403, 403, 403, 201],
    'POST feeds, of a calendar' => [404, 201, 201, 201, 201, 201],
    'PUT feeds/{feed}' => [404, 404, 404, 404, 404, 403],
    'DELETE feeds/{feed}' => [404, 404, 404, 404, 404, 204],
    'PUT publications/{publication}' => [404, 404, 404, 404, 404, 403],
    'PUT publications/{publication}/paused' => [404, 404, 404, 404, 404, 200],
    'POST publications/{publication}/renewal' => [404, 404, 404, 404, 404, 403],
    'DELETE publications/{publication}' => [404, 404, 404, 404, 404, 204],
    'GET publications/{publication}/frame' => [404, 404, 404, 404, 404, 404],
    'PUT publications/{publication}/frame' => [404, 404, 404, 404, 404, 404],
    'PUT member-frames/{frame}' => [404, 404, 404, 404, 404, 200],
    'DELETE member-frames/{frame}' => [404, 404, 404, 404, 404, 204],
    'POST publications/{publication}/links' => [404, 404, 404, 404, 404, 403],
    'DELETE publications/{publication}/links/{link}' => [404, 404, 404, 404, 404, 200],
    'POST calendars/{slug}/imports' => [404, 403, 403, 403, 422, 422],
    'GET calendars/{slug}/imports' => [404, 403, 403, 403, 200, 200],
    'PUT invitations/{invitation}' => [404, 204, 204, 204, 204, 204],
    'PUT requests/{request}' => [404, 404, 404, 404, 404, 204],
    'POST categories' => [404, 403, 403, 403, 403, 201],
    'PATCH categories/{category}' => [404, 404, 403, 403, 403, 200],
    'DELETE categories/{category}' => [404, 404, 403, 403, 403, 204],
    'GET categories/{category}/uses' => [404, 404, 403, 403, 403, 200],
    'POST categories/{category}/restore' => [404, 404, 404, 404, 404, 404],
    'GET sheet' => [404, 200, 200, 200, 200, 200],
    'GET ruler' => [404, 200, 200, 200, 200, 200],
    'GET sheet/since' => [404, 200, 200, 200, 200, 200],
    'GET sheet/since, as somebody' => [404, 403, 403, 403, 403, 200],
    'GET sheet, as somebody' => [404, 403, 403, 403, 403, 200],
    'GET ruler, as somebody' => [404, 403, 403, 403, 403, 200],
    'POST calendars/{slug}/files' => [404, 202, 202, 202, 202, 202],
    'GET table' => [404, 200, 200, 200, 200, 200],
    'GET table/whole' => [404, 200, 200, 200, 200, 200],
    'GET table/csv' => [404, 200, 200, 200, 200, 200],
    'GET table/xlsx' => [404, 200, 200, 200, 200, 200],
    'POST weeks/preview' => [422, 422, 422, 200, 200, 200],
    'POST weeks' => [422, 422, 422, 200, 200, 200],
    'POST events' => [422, 422, 422, 201, 201, 201],
    'GET calendars/{slug}/deleted' => [404, 403, 403, 403, 200, 200],
];

/** Operations on an event, by what kind of event it is to the viewer. */
const ON_EVENTS = [
    'GET events/{id}' => [
        'normal' => [404, 200, 200, 200, 200, 200], 'private' => [404, 200, 200, 200, 200, 200],
        'own' => [404, 200, 200, 200, 200, 200], 'participant' => [404, 200, 200, 200, 200, 200],
    ],
    'GET events/{id}/file' => [
        'normal' => [404, 200, 200, 200, 200, 200], 'private' => [404, 200, 200, 200, 200, 200],
        'own' => [404, 200, 200, 200, 200, 200], 'participant' => [404, 200, 200, 200, 200, 200],
    ],
    'GET events/{id}/pages' => [
        'normal' => [404, 403, 200, 200, 200, 200], 'private' => [404, 403, 403, 403, 200, 200],
        'own' => [404, 403, 200, 200, 200, 200], 'participant' => [404, 403, 200, 200, 200, 200],
    ],
    'PATCH events/{id}' => [
        'normal' => [404, 403, 403, 403, 200, 200], 'private' => [404, 403, 403, 403, 200, 200],
        'own' => [404, 403, 403, 200, 200, 200], 'participant' => [404, 403, 403, 403, 200, 200],
    ],
    'DELETE events/{id}' => [
        'normal' => [404, 403, 403, 403, 204, 204], 'private' => [404, 403, 403, 403, 204, 204],
        'own' => [404, 403, 403, 204, 204, 204], 'participant' => [404, 403, 403, 403, 204, 204],
    ],
    'PUT events/{id}/reminders' => [
        'normal' => [404, 403, 204, 204, 204, 204], 'private' => [404, 403, 403, 403, 204, 204],
        'own' => [404, 403, 204, 204, 204, 204], 'participant' => [404, 403, 204, 204, 204, 204],
    ],
    'GET events/{id}/remarks' => [
        'normal' => [404, 403, 200, 200, 200, 200], 'private' => [404, 403, 403, 403, 200, 200],
        'own' => [404, 403, 200, 200, 200, 200], 'participant' => [404, 403, 200, 200, 200, 200],
    ],
    'POST events/{id}/remarks' => [
        'normal' => [404, 403, 201, 201, 201, 201], 'private' => [404, 403, 403, 403, 201, 201],
        'own' => [404, 403, 201, 201, 201, 201], 'participant' => [404, 403, 201, 201, 201, 201],
    ],
    'PUT events/{id}/remarks/muted' => [
        'normal' => [404, 403, 204, 204, 204, 204], 'private' => [404, 403, 403, 403, 204, 204],
        'own' => [404, 403, 204, 204, 204, 204], 'participant' => [404, 403, 204, 204, 204, 204],
    ],
    'DELETE events/{id}/remarks/{remark}' => [
        'normal' => [404, 403, 403, 403, 204, 204], 'private' => [404, 403, 403, 403, 204, 204],
        'own' => [404, 403, 403, 204, 204, 204], 'participant' => [404, 403, 403, 403, 204, 204],
    ],
    'POST events/{id}/guests' => [
        'normal' => [404, 403, 403, 403, 201, 201], 'private' => [404, 403, 403, 403, 201, 201],
        'own' => [404, 403, 403, 201, 201, 201], 'participant' => [404, 403, 403, 403, 201, 201],
    ],
    'POST events/{id}/asked-again' => [
        'normal' => [404, 403, 403, 403, 200, 200], 'private' => [404, 403, 403, 403, 200, 200],
        'own' => [404, 403, 403, 200, 200, 200], 'participant' => [404, 403, 403, 403, 200, 200],
    ],
    'PUT events/{id}/answer' => [
        'normal' => [404, 403, 403, 403, 403, 403], 'private' => [404, 403, 403, 403, 403, 403],
        'own' => [404, 403, 403, 403, 403, 403], 'participant' => [404, 403, 204, 204, 204, 204],
    ],
    'POST events/{id}/copies' => [
        'normal' => [404, 403, 201, 201, 201, 201], 'private' => [404, 403, 403, 403, 201, 201],
        'own' => [404, 403, 201, 201, 201, 201], 'participant' => [404, 403, 201, 201, 201, 201],
    ],
    'POST events/{id}/pins' => [
        'normal' => [404, 403, 204, 204, 204, 204], 'private' => [404, 403, 403, 403, 204, 204],
        'own' => [404, 403, 204, 204, 204, 204], 'participant' => [404, 403, 204, 204, 204, 204],
    ],
    'DELETE events/{id}/pins/{pin}' => [
        'normal' => [404, 403, 409, 409, 409, 409], 'private' => [404, 403, 403, 403, 409, 409],
        'own' => [404, 403, 409, 409, 409, 409], 'participant' => [404, 403, 409, 409, 409, 409],
    ],
    'POST events/{id}/join' => [
        'normal' => [404, 403, 200, 200, 200, 200], 'private' => [404, 403, 403, 403, 200, 200],
        'own' => [404, 403, 200, 200, 200, 200], 'participant' => [404, 403, 200, 200, 200, 200],
    ],
    'DELETE events/{id}/join' => [
        'normal' => [404, 403, 409, 409, 409, 409], 'private' => [404, 403, 403, 403, 409, 409],
        'own' => [404, 403, 409, 409, 409, 409], 'participant' => [404, 403, 409, 409, 409, 409],
    ],
    'POST events/{id}/attachments' => [
        'normal' => [404, 403, 403, 403, 422, 422], 'private' => [404, 403, 403, 403, 422, 422],
        'own' => [404, 403, 403, 422, 422, 422], 'participant' => [404, 403, 403, 403, 422, 422],
    ],
    'GET events/{id}/attachments/{attachment}' => [
        'normal' => [404, 403, 200, 200, 200, 200], 'private' => [404, 403, 403, 403, 200, 200],
        'own' => [404, 403, 200, 200, 200, 200], 'participant' => [404, 403, 200, 200, 200, 200],
    ],
    'DELETE events/{id}/attachments/{attachment}' => [
        'normal' => [404, 403, 403, 403, 204, 204], 'private' => [404, 403, 403, 403, 204, 204],
        'own' => [404, 403, 403, 204, 204, 204], 'participant' => [404, 403, 403, 403, 204, 204],
    ],
    'PUT events/{id}/tasks/{task}/done' => [
        'normal' => [404, 403, 403, 403, 204, 204], 'private' => [404, 403, 403, 403, 204, 204],
        'own' => [404, 403, 403, 204, 204, 204], 'participant' => [404, 403, 403, 403, 204, 204],
    ],
    'POST bulk/preview' => [
        'normal' => [200, 200, 200, 200, 200, 200], 'private' => [200, 200, 200, 200, 200, 200],
        'own' => [200, 200, 200, 200, 200, 200], 'participant' => [200, 200, 200, 200, 200, 200],
    ],
    'POST bulk' => [
        'normal' => [422, 422, 422, 422, 200, 200], 'private' => [422, 422, 422, 422, 200, 200],
        'own' => [422, 422, 422, 200, 200, 200], 'participant' => [422, 422, 422, 422, 200, 200],
    ],
    'GET events/{id}/history' => [
        'normal' => [404, 403, 403, 403, 200, 200], 'private' => [404, 403, 403, 403, 200, 200],
        'own' => [404, 403, 403, 200, 200, 200], 'participant' => [404, 403, 403, 403, 200, 200],
    ],
    'POST events/{id}/history/{operation}/restore' => [
        'normal' => [404, 403, 403, 403, 204, 204], 'private' => [404, 403, 403, 403, 204, 204],
        'own' => [404, 403, 403, 204, 204, 204], 'participant' => [404, 403, 403, 403, 204, 204],
    ],
    'POST events/{id}/restore' => [
        'normal' => [404, 403, 403, 403, 200, 200], 'private' => [404, 403, 403, 403, 200, 200],
        'own' => [404, 403, 403, 200, 200, 200], 'participant' => [404, 403, 403, 403, 200, 200],
    ],
];

/** How much of an event is told: nothing, that the time is taken, all. All but the normal one are private. */
const TOLD = [
    'normal' => ['-', 'busy', 'full', 'full', 'full', 'full'],
    'private' => ['-', 'busy', 'busy', 'busy', 'full', 'full'],
    'own' => ['-', 'busy', 'full', 'full', 'full', 'full'],
    'participant' => ['-', 'busy', 'full', 'full', 'full', 'full'],
];

/** Operations that are about no one calendar: what an outsider, a member and an administrator are answered. */
const OTHERS = [
    'GET health' => [200, 200, 200],
    'GET session' => [200, 200, 200],
    'POST session' => [422, 422, 422],
    'DELETE session' => [204, 204, 204],
    'POST session/password-link' => [422, 422, 422],
    'POST session/password-link/check' => [422, 422, 422],
    'PUT session/password-link' => [422, 422, 422],
    'PUT session/password' => [401, 422, 422],
    'PATCH session/person' => [401, 200, 200],
    'GET session/second-factor' => [401, 200, 200],
    'POST session/second-factor' => [401, 422, 422],
    'PUT session/second-factor' => [401, 422, 422],
    'DELETE session/second-factor' => [401, 422, 422],
    'POST session/second-factor/codes' => [401, 422, 422],
    'DELETE people/{id}/second-factor' => [401, 403, 409],
    'GET site' => [401, 403, 200],
    'POST people/{id}/link' => [401, 403, 409],
    'GET organisation' => [401, 403, 200],
    'PATCH organisation' => [401, 403, 428],
    'POST organisation/school-year/preview' => [401, 403, 200],
    'GET session/devices' => [401, 200, 200],
    'DELETE session/devices' => [401, 204, 204],
    'DELETE session/devices/{device}' => [401, 404, 404],
    'GET changes' => [401, 200, 200],
    'GET live' => [401, 204, 204],
    'GET directory' => [401, 200, 200],
    'GET directory/calendars' => [401, 200, 200],
    'GET rooms' => [401, 200, 200],
    'POST rooms' => [401, 403, 422],
    'PATCH rooms/{id}' => [401, 403, 404],
    'DELETE rooms/{id}' => [401, 403, 404],
    'GET tasks' => [401, 422, 422],
    'GET groups' => [401, 200, 200],
    'POST groups' => [401, 403, 422],
    'PATCH groups/{id}' => [401, 403, 422],
    'DELETE groups/{id}' => [401, 403, 204],
    'PUT groups/{id}/members' => [401, 403, 422],
    'GET people' => [401, 403, 200],
    'POST people' => [401, 403, 422],
    'POST people/table' => [401, 403, 422],
    'PATCH people/{id}' => [401, 403, 200],
    'POST people/{id}/invitation' => [401, 403, 409],
    'PUT people/{id}/suspended' => [401, 403, 422],
    'DELETE people/{id}/sessions' => [401, 403, 204],
    'GET people/{id}/kept' => [401, 403, 200],
    'POST people/{id}/departure' => [401, 403, 422],
    'DELETE people/{id}/departure' => [401, 403, 404],
    'GET organisation/first-steps' => [401, 403, 200],
    'PUT organisation/first-steps/{step}' => [401, 403, 422],
    'GET log' => [401, 403, 200],
    'POST log/{id}/revert' => [401, 403, 404],
    'GET find' => [401, 422, 422],
    'GET line' => [401, 422, 422],
    'GET when' => [401, 422, 422],
    'GET places' => [401, 200, 200],
    'POST line/message' => [401, 422, 422],
    'POST overlays/counts' => [401, 422, 422],
    'POST sheet/shows' => [401, 422, 422],
    'GET repeat' => [401, 422, 422],
    'GET calendars' => [401, 200, 200],
    'POST calendars' => [401, 422, 422],
    'GET categories' => [401, 200, 200],
    'GET waiting' => [401, 200, 200],
    'PUT visit' => [401, 204, 204],
    'PUT requests/{id}/seen' => [401, 404, 404],
    'PUT replies/{id}' => [401, 422, 422],
    'GET reminders' => [401, 200, 200],
    'GET meetings' => [401, 200, 200],
    'POST meetings' => [401, 409, 409],
    'GET follows' => [401, 200, 200],
    'PUT follows' => [401, 422, 422],
    'DELETE follows/{id}' => [401, 404, 404],
    'PUT digests/{pace}' => [401, 422, 422],
    'GET notices' => [401, 200, 200],
    'PUT notices' => [401, 204, 204],
    'GET notices/unread' => [401, 200, 200],
    'PUT notices/{id}' => [401, 404, 404],
    'GET outbox' => [401, 403, 200],
    'POST outbox/{id}/again' => [401, 403, 404],
    'GET jobs' => [401, 200, 200],
    'GET jobs/{id}' => [401, 404, 404],
    'DELETE jobs/{id}' => [401, 404, 404],
    'PUT jobs/{id}/seen' => [401, 404, 404],
    'GET jobs/{id}/file' => [401, 404, 404],
    'POST operations/{id}/undo' => [401, 404, 404],
    'POST operations/{id}/redo' => [401, 404, 404],
    'GET overlays' => [401, 200, 200],
    'POST overlays' => [401, 422, 422],
    'GET feeds' => [401, 200, 200],
    'POST feeds' => [401, 422, 422],
    'GET publications' => [401, 200, 200],
    'GET member-frames' => [401, 200, 200],
    'POST member-frames' => [401, 409, 409],
    'POST publications' => [401, 422, 422],
    'POST publications/preview' => [401, 422, 422],
    'POST imports/{id}/apply' => [401, 404, 404],
    'PUT imports/{id}' => [401, 422, 422],
    'GET imports/{id}/file' => [401, 404, 404],
    'GET sources' => [401, 200, 200],
    'POST sources/look' => [401, 422, 422],
    'PATCH sources/{id}' => [401, 404, 404],
    'PUT sources/{id}/catalogue' => [401, 403, 404],
    'POST sources/{id}/pins' => [401, 404, 404],
    'DELETE sources/{id}/pins/{pin}' => [401, 404, 404],
    'GET sources/{id}/refreshes/{refresh}' => [401, 404, 404],
    'PUT sources/{id}/refreshes/{refresh}' => [401, 422, 422],
    'POST sources/{id}/refreshes/{refresh}/back' => [401, 404, 404],
    'POST sources' => [401, 422, 422],
    'POST sources/{id}/refresh' => [401, 404, 404],
];

/** Of those, what coordinators are answered as administrators are; everything else as members. */
const KEPT_IN_COMMON = ['POST rooms', 'PATCH rooms/{id}', 'DELETE rooms/{id}', 'POST groups', 'PATCH groups/{id}', 'DELETE groups/{id}', 'PUT groups/{id}/members'];

/** Those on overlays have a table of their own in OverlayAccessTest. */
const ON_OVERLAYS = ['GET overlays/{slug}/log', 'GET overlays/{slug}/file', 'POST overlays/{slug}/feeds', 'PUT overlays/{slug}', 'DELETE overlays/{slug}', 'POST overlays/{slug}/restore', 'GET overlays/{slug}/grants', 'PUT overlays/{slug}/grants', 'PUT overlays/{slug}/keeper'];

const LEVELS = [Level::None, Level::BusyTimes, Level::See, Level::Add, Level::Change, Level::Manage];

const SECRETS = ['Hospital', 'Ward 7', 'kneecap', 'Wellbeing', 'ada.secret'];

/** Something to ask everything of: a calendar with one of each kind of event, a viewer, and what else hangs on it. */
function scene($test, string $how, Level $level): object
{
    $ada = $test->person('Ada Quill');
    $viewer = $test->person('Ben Oar');
    $keeper = $how === 'keeper' ? $viewer : $ada;
    $calendar = $test->calendar($keeper, 'Staff away');
    if ($level !== Level::None && $how !== 'keeper') {
        $test->give($calendar, match ($how) {
            'group' => $test->group(uniqid('group '), $viewer),
            'nested group' => $test->groupOf($test->groupOf($test->group(uniqid('group '), $viewer))),
            'everyone' => SubjectKind::Everyone,
            'public' => SubjectKind::Public,
            default => $viewer,
        }, $level);
    }
    $more = ['place' => 'Ward 7', 'description' => 'kneecap', 'categories' => ['Wellbeing']];
    $events = [
        'normal' => $test->add($calendar, $ada, title: 'Hospital', start: '2026-11-10T09:00', more: $more),
        'private' => $test->add($calendar, $ada, title: 'Hospital', start: '2026-11-11T09:00', more: $more + ['private' => true]),
        'own' => $test->add($calendar, $viewer, title: 'Hospital', start: '2026-11-12T09:00', more: $more + ['private' => true]),
        'participant' => $test->add($calendar, $ada, title: 'Hospital', start: '2026-11-13T09:00', more: $more + ['private' => true, 'participants' => [new Participant("mailto:{$viewer->email}"), new Participant('mailto:ada.secret@example.org')]]),
    ];
    $publication = Publication::query()->create(['calendar_id' => $calendar->id, 'name' => 'Board', 'detail' => 'everything', 'audience' => 'with the link', 'token' => 'board', 'token_hash' => SecretToken::digest(uniqid()), 'published_by' => $ada->id]);
    $link = PublicationLink::query()->create(['publication_id' => $publication->id, 'purpose' => 'screen', 'name' => 'Wall', 'token' => 'wall', 'token_hash' => SecretToken::digest(uniqid())]);
    $frame = MemberFrame::query()->create(['calendar_id' => $calendar->id, 'key' => MemberFrame::newKey(), 'view' => 'lanes', 'may_change' => true, 'made_by' => $ada->id]);
    $feed = Feed::query()->create(['calendar_id' => $calendar->id, 'name' => 'Board', 'detail' => 'full', 'token_hash' => uniqid(), 'created_by' => $ada->id]);
    $request = AccessRequest::query()->create(['calendar_id' => $calendar->id, 'person_id' => $test->person('Cy Asks')->id, 'level' => Level::See]);
    $invitation = Invitation::query()->create(['calendar_id' => $calendar->id, 'person_id' => $viewer->id, 'level' => Level::See]);
    // One that the viewer may add to, to pin and copy to.
    $board = $test->calendar($viewer, 'Board');
    foreach ($events as $event) {
        Attachment::query()->create(['event_id' => $event->id, 'name' => 'kneecap.pdf', 'type' => 'application/pdf', 'size' => 3, 'path' => Storage::put('attachments/kneecap.pdf', 'pdf') ? 'attachments/kneecap.pdf' : '']);
        Remark::query()->create(['event_id' => $event->id, 'person_id' => $ada->id, 'text' => 'kneecap']);
        Task::query()->create(['event_id' => $event->id, 'position' => 0, 'title' => 'kneecap', 'days' => -1]);
        app(ChangeEvents::class)->carryOut(Actor::person($ada), Cause::Screen, OperationKind::Change, [new SetJoinable($event->id, true)]);
    }
    $calendar->update(['remarks' => true]);
    ChangeLog::settings($calendar, $ada, ['name' => 'Before'], ['name' => 'Staff away']);
    if ($how === 'suspended') {
        $viewer->update(['status' => 'suspended']);
    }
    $ids = [
        '{slug}' => $calendar->slug, '{board}' => $board->slug, '{pin}' => 0, '{entry}' => Activity::query()->max('id'), '{feed}' => $feed->id, '{publication}' => $publication->id, '{link}' => $link->id, '{frame}' => $frame->id, '{invitation}' => $invitation->id,
        '{request}' => $request->id, '{category}' => Category::query()->where('calendar_id', $calendar->id)->value('id'),
    ];

    return (object) compact('ada', 'viewer', 'calendar', 'events', 'ids');
}

/** Asks one operation, and leaves everything as it was. */
function ask($test, object $scene, string $operation, ?EventRecord $event = null): Illuminate\Testing\TestResponse
{
    DB::beginTransaction();
    try {
        [$method, $path] = explode(' ', explode(',', $operation)[0]);
        if ($operation === 'POST calendars/{slug}/restore') {
            $scene->calendar->delete();
        } elseif ($operation === 'POST events/{id}/restore') {
            $event->delete();
        }
        $body = match ($operation) {
            'PUT calendars/{slug}/grants' => ['kind' => 'person', 'id' => $scene->ada->id, 'level' => 'see'],
            'POST calendars/{slug}/grants/addresses' => ['text' => 'nobody@example.org', 'level' => 'see'],
            'PUT calendars/{slug}/keeper' => ['kind' => 'person', 'id' => $scene->ada->id, 'stays' => 'manage'],
            'PUT calendars/{slug}/archived' => ['archived' => true],
            'PUT calendars/{slug}/list' => ['onList' => false],
            'PUT calendars/{slug}/look' => ['colour' => 'rose', 'mark' => 'star'],
            'POST calendars/{slug}/requests' => ['level' => 'change'],
            'POST calendars/{slug}/feeds' => ['name' => 'x', 'detail' => 'full'],
            'PUT publications/{publication}' => ['name' => 'x', 'detail' => 'everything', 'audience' => 'with the link', 'period' => 'all'],
            'PUT publications/{publication}/paused' => ['paused' => true],
            'POST feeds, of a calendar' => ['name' => 'x', 'detail' => 'full', 'calendar' => $scene->ids['{slug}']],
            'PUT feeds/{feed}' => ['name' => 'x', 'detail' => 'full'],
            'PUT publications/{publication}/frame' => ['sites' => []],
            'PUT member-frames/{frame}' => ['view' => 'list', 'mayChange' => true],
            'POST publications/{publication}/links' => ['purpose' => 'screen', 'names' => ['Hall']],
            'POST publications/{publication}/renewal' => ['days' => 7],
            'PUT events/{id}/answer' => ['answer' => 'accepted'],
            'PUT events/{id}/reminders' => ['minutes' => [10]],
            'POST events/{id}/remarks' => ['text' => 'x'],
            'PUT events/{id}/remarks/muted' => ['muted' => true],
            'POST events/{id}/guests' => ['guests' => [['kind' => 'person', 'id' => $scene->ada->id]]],
            'POST events/{id}/copies', 'POST events/{id}/pins' => ['calendar' => $scene->ids['{board}']],
            'PUT events/{id}/tasks/{task}/done' => ['done' => true],
            'PUT invitations/{invitation}' => ['accepted' => true],
            'PUT requests/{request}' => ['level' => 'none'],
            'POST categories' => ['name' => 'x', 'calendar' => $scene->calendar->slug],
            'PATCH categories/{category}' => ['name' => 'y'],
            'POST weeks/preview', 'POST weeks' => ['calendar' => $scene->calendar->slug, 'week' => '2026-11-09', 'from' => '2026-11-16', 'to' => '2026-11-29', 'tz' => 'Europe/London'],
            'POST bulk/preview', 'POST bulk' => ['events' => [['id' => $event?->id, 'version' => 1]], 'place' => 'Slip 2', 'tz' => 'Europe/London'],
            'POST events' => ['calendar' => $scene->calendar->slug, 'title' => 'x', 'start' => '2026-11-10T09:00'],
            default => [],
        };
        if (preg_match('/^GET (sheet|ruler|table)/', $operation) === 1) {
            $path .= "?from=2026-11-01&to=2026-12-01&tz=Europe/London&calendar={$scene->calendar->slug}".(str_ends_with($operation, 'somebody') ? "&as={$scene->ada->id}" : '');
        }

        return $test->as($scene->viewer, $method, '/'.strtr($path, $scene->ids + ['{id}' => (string) $event?->id, '{remark}' => (string) ($event === null ? '' : Remark::query()->where('event_id', $event->id)->value('id')), '{attachment}' => (string) ($event === null ? '' : Attachment::query()->where('event_id', $event->id)->value('id')), '{task}' => (string) ($event === null ? '' : Task::query()->where('event_id', $event->id)->value('id')), '{operation}' => (string) ($event === null ? '' : OperationSeries::query()->where('series_id', $event->id)->orderByDesc('id')->value('operation_id'))]), $body, 1);
    } finally {
        DB::rollBack();
        $scene->calendar->refresh()->load('source');
    }
}

beforeEach(function () {
    Mail::fake();
    Storage::fake();
});

test('no operation is left out of these tests', function () {
    $plain = fn (string $operation): string => (string) preg_replace('/\{\w+\}/', '{}', explode(',', $operation)[0]);
    $known = array_map($plain, [...array_keys(ON_CALENDARS), ...array_keys(ON_EVENTS), ...array_keys(OTHERS), ...ON_OVERLAYS]);
    $met = [];
    foreach (Route::getRoutes()->getRoutes() as $route) {
        if (str_starts_with($route->uri(), 'api/v1/')) {
            $met[] = $plain($route->methods()[0].' '.substr($route->uri(), 7));
        }
    }
    expect(array_values(array_diff($met, $known)))->toBe([])->and(array_values(array_diff($known, $met)))->toBe([]);
});

test('each level is answered as the tables say, however it is held', function (string $how, array $levels) {
    foreach ($levels as $level) {
        $index = array_search($level, LEVELS, true);
        $scene = scene($this, $how, $level);
        $asked = 0;
        foreach (ON_CALENDARS as $operation => $answers) {
            $answer = ask($this, $scene, $operation);
            expect($answer->getStatusCode())->toBe($how === 'suspended' ? 401 : $answers[$index], "{$operation} at {$level->value} by {$how}: {$answer->getContent()}");
            if (in_array($answer->getStatusCode(), [401, 403, 404], true)) {
                expect($answer->getContent())->not->toContain('Staff away', ...SECRETS);
            }
            $asked++;
        }
        foreach (ON_EVENTS as $operation => $kinds) {
            foreach ($kinds as $kind => $answers) {
                $answer = ask($this, $scene, $operation, $scene->events[$kind]);
                $what = "{$operation} ({$kind}) at {$level->value} by {$how}";
                expect($answer->getStatusCode())->toBe($how === 'suspended' ? 401 : $answers[$index], "{$what}: {$answer->getContent()}");
                if ($operation === 'POST bulk/preview' && $how !== 'suspended') {
                    expect($answer->json('0.what'))->toBe(ON_EVENTS['POST bulk'][$kind][$index] === 200 ? 'change' : 'refused', $what);
                }
                if (TOLD[$kind][$index] !== 'full' || $answer->getStatusCode() >= 400) {
                    expect($answer->baseResponse instanceof StreamedResponse ? $answer->streamedContent() : $answer->getContent())->not->toContain(...SECRETS);
                } elseif ($answer->getStatusCode() === 200 && (bool) preg_match('#^(GET|PATCH) events/\{id\}$#', $operation)) {
                    // Writing back what was seen changes nothing of it.
                    expect($answer->json('title'))->toBe('Hospital', $what)->and($answer->json('place'))->toBe('Ward 7');
                }
                $asked++;
            }
        }
        $items = ask($this, $scene, 'GET sheet')->json('items') ?? [];
        if ($how !== 'suspended') {
            expect(array_column($items, 'title', 'id'))->toEqual(collect($scene->events)
                ->mapWithKeys(fn (EventRecord $event, string $kind): array => [$event->id => ['busy' => 'Busy', 'full' => 'Hospital'][TOLD[$kind][$index]] ?? null])->filter()->all());
        }
        expect($asked)->toBe(count(ON_CALENDARS) + 4 * count(ON_EVENTS));
        Calendar::query()->forceDelete();
        Person::query()->delete();
    }
})->with([
    'a person' => ['person', LEVELS],
    'a group' => ['group', LEVELS],
    'a group in a group in a group' => ['nested group', LEVELS],
    'everyone' => ['everyone', LEVELS],
    'the public' => ['public', [Level::None, Level::BusyTimes, Level::See]],
    'its keeper' => ['keeper', [Level::Manage]],
    'nobody' => ['none', [Level::None]],
    'a suspended person' => ['suspended', LEVELS],
]);

/** Events of further kinds: a series of which one time is hidden, and what is kept elsewhere and shows here by a pin. */
function furtherScene($test, Level $level): object
{
    $scene = scene($test, $level === Level::None ? 'none' : 'person', $level);
    $more = ['place' => 'Ward 7', 'description' => 'kneecap', 'categories' => ['Wellbeing']];
    $master = Make::event('Drill', '2026-11-16T09:00', rule: 'FREQ=DAILY;COUNT=3', uid: 'drill');
    $hidden = Make::event('Hospital', '2026-11-17T09:00', uid: 'drill', more: $more + ['private' => true, 'recurrenceId' => Make::time('2026-11-17T09:00')]);
    $home = $test->calendar($scene->ada, 'Ada’s own');
    $cy = $test->person('Cy Pins');
    $test->give($home, $cy, Level::See);
    $events = [
        'changed' => $test->addSeries($scene->calendar, new Series($master, [$hidden]), $scene->ada),
        'pinned' => $test->add($home, $scene->ada, title: 'Hospital', start: '2026-11-19T09:00', more: $more),
        'pinned private' => $test->add($home, $scene->ada, title: 'Hospital', start: '2026-11-20T09:00', more: $more + ['private' => true]),
        'revoked' => $test->add($test->calendar($scene->ada, 'No longer his'), $scene->ada, title: 'Hospital', start: '2026-11-21T09:00', more: $more),
    ];
    foreach ($events as $kind => $event) {
        if ($kind !== 'changed') {
            app(ChangeEvents::class)->carryOut(Actor::person($cy), Cause::Screen, OperationKind::Pin, [new PinSeries($event->id, $scene->calendar->id)]);
        }
        Attachment::query()->create(['event_id' => $event->id, 'name' => 'kneecap.pdf', 'type' => 'application/pdf', 'size' => 3, 'path' => Storage::put('attachments/kneecap.pdf', 'pdf') ? 'attachments/kneecap.pdf' : '']);
        Remark::query()->create(['event_id' => $event->id, 'person_id' => $scene->ada->id, 'text' => 'kneecap']);
        Calendar::query()->whereKey($event->calendar_id)->update(['remarks' => true]);
        Task::query()->create(['event_id' => $event->id, 'position' => 0, 'title' => 'kneecap', 'days' => -1]);
        app(ChangeEvents::class)->carryOut(Actor::person($scene->ada), Cause::Screen, OperationKind::Change, [new SetJoinable($event->id, true)]);
    }

    return (object) (['events' => $events] + (array) $scene);
}

/** As which level on the calendar each of those is had: what is pinned, as far as it is seen; what is hidden or revoked, as that. */
const HAD_AS = ['changed' => 5, 'pinned' => 2, 'pinned private' => 1, 'revoked' => 0];

test('what shows by a pin, or is hidden in part, is had as far as it is seen', function () {
    foreach (LEVELS as $index => $level) {
        $scene = furtherScene($this, $level);
        foreach (ON_EVENTS as $operation => $kinds) {
            foreach ($scene->events as $kind => $event) {
                // What was done with an event is no matter of whoever does not see its own calendar.
                $had = str_contains($operation, 'history') && $kind !== 'changed' ? 0 : min($index, HAD_AS[$kind]);
                $answer = ask($this, $scene, $operation, $event);
                $what = "{$operation} ({$kind}) at {$level->value}: {$answer->getContent()}";
                // Of a series each time is prepared on its own.
                $expected = $kind === 'changed' && $operation === 'PUT events/{id}/tasks/{task}/done' && $kinds['normal'][$had] === 204 ? 422 : $kinds['normal'][$had];
                expect($answer->getStatusCode())->toBe($expected, $what);
                if ($operation === 'POST bulk/preview') {
                    expect($answer->json('0.what'))->toBe(ON_EVENTS['POST bulk']['normal'][$had] === 200 ? 'change' : 'refused', $what);
                }
                if ($kind === 'changed' && $index < 4) {
                    // What hangs on the series as such is its own; of the hidden time there is nothing.
                    expect((string) $answer->getContent())->not->toContain('Hospital', 'Ward 7', 'Wellbeing', 'ada.secret');
                } elseif ($had < 2) {
                    expect((string) $answer->getContent())->not->toContain(...SECRETS);
                }
            }
        }
        $shown = collect(ask($this, $scene, 'GET sheet')->json('items') ?? [])->filter(static fn (array $item): bool => $item['start'] >= '2026-11-16')->mapWithKeys(static fn (array $item): array => [substr($item['start'], 8, 2) => $item['title']])->all();
        $hidden = $index < 4 ? 'Busy' : 'Hospital';
        expect($shown)->toEqual(match (true) {
            $index === 0 => [],
            $index === 1 => ['16' => 'Busy', '17' => 'Busy', '18' => 'Busy', '19' => 'Busy', '20' => 'Busy'],
            default => ['16' => 'Drill', '17' => $hidden, '18' => 'Drill', '19' => 'Hospital', '20' => 'Busy'],
        }, "the sheet at {$level->value}");
        Calendar::query()->forceDelete();
        Person::query()->delete();
    }
});

test('a copy of a series has nothing of the time that is hidden, and a pin is not redone past what was taken away', function () {
    $scene = furtherScene($this, Level::See);
    $board = Calendar::query()->where('slug', $scene->ids['{board}'])->sole();
    $this->as($scene->viewer, 'POST', "/events/{$scene->events['changed']->id}/copies", ['calendar' => $board->slug])->assertCreated();
    expect(json_encode(EventRecord::query()->where('calendar_id', $board->id)->get()))->toContain('Drill')->not->toContain('Hospital')->not->toContain('Ward 7');
    $pinned = (int) $this->as($scene->viewer, 'POST', "/events/{$scene->events['changed']->id}/pins", ['calendar' => $board->slug])->assertNoContent()->headers->get('Operation');
    $this->as($scene->viewer, 'POST', "/operations/{$pinned}/undo")->assertNoContent();
    DB::table('grants')->where('subject_id', $scene->viewer->id)->delete();
    $this->as($scene->viewer, 'POST', "/operations/{$pinned}/redo")->assertForbidden();
    expect(DB::table('event_pins')->where('calendar_id', $board->id)->count())->toBe(0);
    // Laying a week of it gives no more than is seen.
    $this->give($scene->calendar, $scene->viewer, Level::See);
    $this->as($scene->viewer, 'POST', '/weeks/preview', ['calendar' => $board->slug, 'of' => $scene->calendar->slug, 'week' => '2026-11-16', 'from' => '2026-11-23', 'to' => '2026-11-29', 'tz' => 'Europe/London'])
        ->assertDontSee('Hospital')->assertDontSee('Ward 7');
});

test('what is about no one calendar is answered as the table says', function (string $operation, array $answers) {
    $member = $this->person('Ben Oar');
    $administrator = $this->person('Ada Quill', ['role' => 'administrator']);
    $coordinator = $this->person('Cy Chart', ['role' => 'coordinator']);
    $group = $this->group('Riggers');
    $answers[] = $answers[in_array($operation, KEPT_IN_COMMON, true) ? 2 : 1];
    foreach ([null, $member, $administrator, $coordinator] as $index => $person) {
        DB::beginTransaction();
        [$method, $path] = explode(' ', $operation);
        $id = str_contains($path, 'groups') ? $group->id : $member->id;
        $answer = $this->as($person, $method, '/'.strtr($path, ['{id}' => (string) $id, '{refresh}' => '0', '{pin}' => '0', '{step}' => 'name', '{pace}' => 'daily', '{key}' => '6f1c2d3e-0000-4000-8000-000000000000', '{device}' => str_repeat('a', 24)]));
        DB::rollBack();
        expect($answer->getStatusCode())->toBe($answers[$index], "{$operation} by ".($person?->role->value ?? 'an outsider').": {$answer->getContent()}");
    }
})->with(array_map(fn (string $operation, array $answers): array => [$operation, $answers], array_keys(OTHERS), OTHERS));
