<?php

use App\Publishing\Publication;
use App\Publishing\PublicationLink;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Publishing\Detail;
use PinnedRota\Core\Publishing\SecretToken;

/** Where something that is published can be read, behind its address. */
const FORMS = ['', '?view=month', '/frame', '/frame?view=month', '.ics', '.csv', '.xlsx', '/event', '/event.ics', '=screen/screen', '=person', '=person.ics', '=person.csv', '=person/event'];

/** What each detail tells of an event that is open to its publisher, by part. */
const TOLD_OF = [
    'busy times' => [], 'titles' => ['Hospital'], 'without people' => ['Hospital', 'Ward 7', 'Wellbeing'], 'everything' => ['Hospital', 'Ward 7', 'Wellbeing', 'Noor Feldkamp', 'kneecap'],
];

const ALL_PARTS = ['Hospital', 'Ward 7', 'Wellbeing', 'Noor Feldkamp', 'kneecap', 'ada.secret'];

/** How its publisher stands to the calendar, and whether what is open there goes out in full, as busy times, or not at all. */
const PUBLISHERS = ['manages it' => 'full', 'sees it' => 'full', 'sees busy times' => 'busy', 'sees nothing' => 'nothing', 'is suspended' => 'nothing', 'has left' => 'nothing'];

/** What kind of event it is, and what an outsider has of it at most. */
const KINDS_OF_EVENT = ['open' => 'full', 'private' => 'busy', 'private, of the publisher' => 'busy', 'private and free' => 'nothing'];

beforeEach(function () {
    $this->travelTo('2026-11-02 08:00:00');
    $this->ada = $this->person('Ada Quill');
    $this->noor = $this->person('Noor Feldkamp');
    $this->slip = $this->calendar($this->ada, 'Slipway');
});

test('every form of a publication tells what its detail, the kind of event and its publisher allow, and nothing besides', function (string $detail, string $kind) {
    $ben = $this->person('Ben Oar');
    $this->add($this->slip, $kind === 'private, of the publisher' ? $ben : $this->ada, title: 'Hospital', uid: 'ada.secret', start: '2026-11-02T09:30', end: '2026-11-02T10:30', more: [
        'place' => 'Ward 7', 'description' => 'kneecap', 'categories' => ['Wellbeing'], 'private' => $kind !== 'open', 'busy' => $kind !== 'private and free',
        'participants' => [new Participant("mailto:{$this->noor->email}", $this->noor->name, role: ParticipantRole::Responsible)],
    ]);
    $publication = Publication::query()->create(['name' => 'Slip', 'calendar_id' => $this->slip->id, 'detail' => $detail, 'audience' => 'everybody', 'slug' => 'slip', 'followed' => true, 'as_table' => true, 'frame_sites' => ['https://school.example'], 'published_by' => $ben->id]);
    foreach (['screen', 'person'] as $purpose) {
        PublicationLink::query()->create(['publication_id' => $publication->id, 'purpose' => $purpose, 'name' => $purpose, 'token' => $purpose, 'token_hash' => SecretToken::digest($purpose)]);
    }
    $fetch = function (string $path): string {
        $this->app->forgetScopedInstances();
        $this->app['auth']->forgetGuards();
        collect($this->app['router']->getRoutes()->getRoutes())->each->flushController();
        $answer = $this->get($path);
        $text = (string) $answer->getContent();
        if (str_ends_with($path, '.xlsx') && $answer->isOk()) {
            $text = Process::path(base_path())->input($text)->run('/usr/bin/python3 tests/Support/read_xlsx.py')->output();
        }
        expect($answer->headers->getCookies())->toBe([]);

        return $text.$answer->headers;
    };
    // The address of the event’s own page, as it is where it has one: it is asked for in every case.
    $publication->update(['published_by' => $this->ada->id, 'detail' => 'everything']);
    DB::table('events')->update(['private' => false, 'busy' => true]);
    preg_match('~/p/slip(/\d{4}-\d\d-\d\d/[0-9a-f]{20})~', $fetch('/p/slip'), $found);
    expect($found)->not->toBe([]);
    DB::table('events')->update(['private' => $kind !== 'open', 'busy' => $kind !== 'private and free']);
    $publication->update(['published_by' => $ben->id, 'detail' => $detail, 'version' => 2]);
    foreach (PUBLISHERS as $publisher => $gives) {
        $this->give($this->slip, $ben, match ($publisher) {
            'sees it' => Level::See, 'sees busy times' => Level::BusyTimes, 'sees nothing' => Level::None, default => Level::Manage
        });
        $ben->update(['status' => ['is suspended' => 'suspended', 'has left' => 'left'][$publisher] ?? 'active']);
        $publication->increment('version');
        $told = match (true) {
            $gives === 'nothing' || KINDS_OF_EVENT[$kind] === 'nothing' => 'nothing',
            $gives === 'busy' || KINDS_OF_EVENT[$kind] === 'busy' || $detail === 'busy times' => 'busy',
            default => 'full',
        };
        $parts = $told === 'full' ? TOLD_OF[$detail] : [];
        foreach (FORMS as $form) {
            $what = "{$form} with {$detail} of an event that is {$kind}, by somebody who {$publisher}";
            // Behind an equals sign, at the link of somebody and not at its own address.
            $text = $fetch(str_replace('/p/slip=', '/p/', '/p/slip'.str_replace('/event', $found[1], $form)));
            foreach (array_diff(ALL_PARTS, $parts) as $secret) {
                expect(str_contains($text, $secret))->toBeFalse("{$secret} is told at {$what}");
            }
            if (str_contains($form, '/event')) {
                expect(str_contains($text, 'Hospital'))->toBe($told === 'full', $what);
            } else {
                expect(str_contains($text, $told === 'full' ? 'Hospital' : 'Busy'))->toBe($told !== 'nothing', $what);
            }
        }
        foreach ($parts as $part) {
            expect($fetch('/p/slip'.$found[1]))->toContain($part);
        }
    }
})->with(array_column(Detail::cases(), 'value'))->with(array_keys(KINDS_OF_EVENT));
