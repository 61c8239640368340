<?php

use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/*
 * What the migrations since version 0.9 make of a database that is in use: it is laid as 0.9 had it, filled, and taken
 * on step by step. Each step says here what was there before it and what is there after it.
 */
const LAST_OF_0_9 = '2026_11_26_000007_create_publishing_tables';

/** @return array<string, array{0: callable(): void, 1: callable(): void}> what fills the database before a migration, and what holds after it */
function steps(): array
{
    return [
        '2026_11_26_000008_name_pins' => [
            function (): void {
                $person = DB::table('people')->insertGetId(['name' => 'Ada Quill', 'email' => 'ada@example.org', 'timezone' => 'Europe/London', 'role' => 'member', 'status' => 'active', 'post' => '']);
                $calendar = fn (string $slug): int => DB::table('calendars')->insertGetId(['slug' => $slug, 'name' => $slug, 'description' => '', 'colour' => 'sea', 'mark' => 'disc', 'timezone' => 'Europe/London', 'keeper_kind' => 'person', 'keeper_id' => $person]);
                [$home, $board, $wall] = [$calendar('home'), $calendar('board'), $calendar('wall')];
                foreach (['one', 'two'] as $uid) {
                    $event = DB::table('events')->insertGetId(['calendar_id' => $home, 'uid' => $uid, 'title' => $uid, 'description' => '', 'time_kind' => 'zoned', 'timezone' => 'Europe/London', 'starts_local' => '2026-11-10 09:00:00', 'ends_local' => '2026-11-10 10:00:00']);
                    DB::table('event_pins')->insert([['event_id' => $event, 'calendar_id' => $board, 'pinned_by' => $person, 'joined' => false], ['event_id' => $event, 'calendar_id' => $wall, 'pinned_by' => null, 'joined' => true]]);
                }
            },
            function (): void {
                $pins = DB::table('event_pins')->orderBy('event_id')->orderBy('calendar_id')->get();
                expect($pins->pluck('id')->unique())->toHaveCount(4)->and($pins->pluck('id')->min())->toBeGreaterThan(0)
                    ->and($pins->pluck('joined')->all())->toBe([0, 1, 0, 1])->and($pins->whereNotNull('pinned_by'))->toHaveCount(2);
                // One pin of an event on a calendar, as before.
                expect(fn () => DB::table('event_pins')->insert((array) $pins[0]))->toThrow(Illuminate\Database\UniqueConstraintViolationException::class);
            },
        ],
        '2026_11_26_000009_create_idempotency_keys' => [
            fn () => null,
            function (): void {
                $key = ['person_id' => DB::table('people')->value('id'), 'key' => 'a-key-of-hers', 'request' => str_repeat('a', 64)];
                expect(DB::table('idempotency_keys')->insertOrIgnore($key))->toBe(1)->and(DB::table('idempotency_keys')->insertOrIgnore($key))->toBe(0);
            },
        ],
        '2026_11_26_000010_categories_are_unique' => [
            function (): void {
                [$calendar, $other] = DB::table('calendars')->orderBy('id')->pluck('id')->all();
                $events = DB::table('events')->orderBy('id')->pluck('id')->all();
                $category = fn (?int $of, string $name): int => DB::table('categories')->insertGetId(['calendar_id' => $of, 'name' => $name]);
                [$first, $second] = [$category($calendar, 'Launch'), $category($calendar, 'launch')];
                // On another calendar, and with the organisation, the same name is another category.
                [$category($other, 'Launch'), $category(null, 'Closed'), $category(null, 'Closed')];
                DB::table('event_category')->insert([['event_id' => $events[0], 'category_id' => $first], ['event_id' => $events[0], 'category_id' => $second], ['event_id' => $events[1], 'category_id' => $second]]);
            },
            function (): void {
                expect(DB::table('categories')->orderBy('id')->pluck('name')->all())->toBe(['Launch', 'Launch', 'Closed'])
                    ->and(DB::table('event_category')->count())->toBe(2)->and(DB::table('event_category')->distinct()->pluck('category_id'))->toHaveCount(1)
                    ->and(fn () => DB::table('categories')->insert(['calendar_id' => null, 'name' => 'Closed']))->toThrow(Illuminate\Database\UniqueConstraintViolationException::class);
            },
        ],
        '2026_11_26_000011_count_failures_of_sources' => [
            function (): void {
                foreach (DB::table('calendars')->orderBy('id')->limit(2)->pluck('id') as $index => $calendar) {
                    DB::table('sources')->insert(['calendar_id' => $calendar, 'url' => 'https://example.org/x.ics', 'refresh_minutes' => 60, 'error' => $index === 0 ? 'The far side has a fault (500).' : null]);
                }
            },
            fn () => expect(DB::table('sources')->orderBy('id')->pluck('failures')->all())->toBe([1, 0]),
        ],
        '2026_11_26_000012_invitations_have_tokens' => [
            function (): void {
                $person = fn (string $email, ?string $password) => DB::table('people')->insert(['name' => $email, 'email' => $email, 'password' => $password, 'timezone' => 'Europe/London', 'role' => 'member', 'status' => 'active', 'post' => '']);
                $person('new@example.org', null);
                $person('here@example.org', 'a digest');
                DB::table('password_reset_tokens')->insert([['email' => 'new@example.org', 'token' => 'of the invitation', 'created_at' => '2026-11-20 09:00:00'], ['email' => 'here@example.org', 'token' => 'of a new password', 'created_at' => '2026-11-20 09:00:00']]);
            },
            fn () => expect(DB::table('invitation_tokens')->pluck('token', 'email')->all())->toBe(['new@example.org' => 'of the invitation'])
                ->and(DB::table('password_reset_tokens')->pluck('token', 'email')->all())->toBe(['here@example.org' => 'of a new password']),
        ],
        '2026_11_26_000013_create_background_jobs' => [
            function (): void {
                DB::table('operations')->insert(['kind' => 'bulk', 'cause' => 'screen', 'key' => 'a4c6e0b2-0f6e-4f43-9c9c-0c6a3d0b1a11']);
            },
            function (): void {
                expect(DB::table('operations')->where('kind', 'bulk')->count())->toBe(1)->and(Schema::hasColumn('operations', 'key'))->toBeFalse();
                // A job goes with whoever asked for it; one whose calendar is gone stays.
                $calendar = DB::table('calendars')->orderByDesc('id')->value('id');
                $person = DB::table('people')->insertGetId(['name' => 'Cy', 'email' => 'cy@example.org', 'timezone' => 'Europe/London', 'role' => 'member', 'status' => 'active', 'post' => '']);
                DB::table('background_jobs')->insert(['person_id' => $person, 'kind' => 'import', 'title' => 'a.ics', 'calendar_id' => $calendar, 'input' => '{}', 'state' => 'waiting', 'queued_at' => '2026-11-26 09:00:00']);
                DB::table('calendars')->delete($calendar);
                expect(DB::table('background_jobs')->sole()->calendar_id)->toBeNull();
                DB::table('people')->delete($person);
                expect(DB::table('background_jobs')->count())->toBe(0);
            },
        ],
        '2026_11_26_000014_window_index_holds_all' => [
            fn () => null,
            fn () => expect(array_column(DB::select('SHOW INDEX FROM occurrences WHERE Key_name = "occurrences_window"'), 'Column_name'))->toBe(['calendar_id', 'span', 'starts_at', 'ends_at', 'event_id', 'series_id', 'recurrence_id']),
        ],
        '2026_11_26_000015_organisation_decides' => [
            fn () => null,
            function (): void {
                // Nothing is decided, and nobody has a second factor; what is of a person goes with them.
                expect(DB::table('organisation_settings')->count())->toBe(0);
                $person = DB::table('people')->insertGetId(['name' => 'Dan', 'email' => 'dan@example.org', 'timezone' => 'Europe/London', 'role' => 'member', 'status' => 'active', 'post' => '']);
                DB::table('second_factors')->insert(['person_id' => $person, 'secret' => 'x']);
                DB::table('recovery_codes')->insert(['person_id' => $person, 'digest' => str_repeat('a', 64)]);
                DB::table('people')->delete($person);
                expect([DB::table('second_factors')->count(), DB::table('recovery_codes')->count()])->toBe([0, 0]);
            },
        ],
        '2026_11_26_000016_changes_are_told' => [
            function (): void {
                DB::table('changes')->delete();
                DB::table('changes')->insert([['calendar_id' => DB::table('calendars')->value('id')], ['calendar_id' => null]]);
            },
            function (): void {
                // What was marked before touches any day, and concerns everybody.
                expect(DB::table('changes')->whereNull('person_id')->whereNull('first_day')->whereNull('last_day')->where('mark', '')->count())->toBe(2);
                $person = DB::table('people')->insertGetId(['name' => 'Em', 'email' => 'em@example.org', 'timezone' => 'Europe/London', 'role' => 'member', 'status' => 'active', 'post' => '']);
                DB::table('changes')->insert(['mark' => 'a mark', 'person_id' => $person]);
                DB::table('live_viewers')->insert(['calendar_id' => DB::table('calendars')->value('id'), 'person_id' => $person]);
                DB::table('people')->delete($person);
                expect([DB::table('changes')->count(), DB::table('live_viewers')->count()])->toBe([2, 0]);
            },
        ],
        '2026_11_26_000017_heartbeats' => [
            fn () => null,
            // Nothing stands still yet: each part has its time to begin.
            fn () => expect(DB::table('heartbeats')->where('beat_at', '>=', now()->subMinute())->whereNull('told_at')->pluck('part')->sort()->values()->all())->toBe(['fetching', 'letters', 'schedule', 'work']),
        ],
        '2026_11_26_000018_first_steps' => [
            fn () => null,
            function (): void {
                expect(DB::table('skipped_first_steps')->insertOrIgnore(['step' => 'name']))->toBe(1)->and(DB::table('skipped_first_steps')->insertOrIgnore(['step' => 'name']))->toBe(0);
            },
        ],
        '2026_11_27_000019_end_timezone' => [
            fn () => null,
            fn () => expect(DB::table('events')->whereNull('end_timezone')->count())->toBe(DB::table('events')->count())->toBeGreaterThan(0),
        ],
        '2026_11_27_000020_deleted_categories' => [
            fn () => null,
            fn () => expect(DB::table('deleted_categories')->count())->toBe(0)->and(DB::table('categories')->count())->toBeGreaterThan(0),
        ],
        '2026_11_27_000021_opening_tables' => [
            fn () => DB::table('overlays')->insert(['slug' => 'before', 'name' => 'Before', 'opening_view' => 'month', 'keeper_kind' => 'person', 'keeper_id' => 1, 'every_layer' => true]),
            fn () => expect((array) DB::table('overlays')->where('slug', 'before')->first(['opening_view', 'every_layer', 'opening_table']))->toBe(['opening_view' => 'month', 'every_layer' => 1, 'opening_table' => null]),
        ],
        '2026_11_27_000022_own_things' => [
            function (): void {
                $person = fn (string $name, string $status = 'active'): int => DB::table('people')->insertGetId(['name' => $name, 'email' => "{$name}@example.org", 'timezone' => 'Europe/Oslo', 'role' => 'member', 'status' => $status, 'post' => '']);
                [$ben, $cy] = [$person('ben'), $person('cy')];
                $person('gone', 'left');
                $calendar = fn (string $slug, int $keeper, string $about): int => DB::table('calendars')->insertGetId(['slug' => $slug, 'name' => $slug, 'description' => $about, 'colour' => 'sea', 'mark' => 'disc', 'timezone' => 'Europe/London', 'keeper_kind' => 'person', 'keeper_id' => $keeper]);
                $calendar('diary', $ben, 'Mine alone');
                $calendar('joined', $cy, 'What you pin and join.');
                $shared = $calendar('shared', $ben, '');
                DB::table('grants')->insert(['on_kind' => 'calendar', 'on_id' => $shared, 'subject_kind' => 'person', 'subject_id' => $cy, 'level' => 'see']);
                DB::table('calendar_choices')->insert(['person_id' => $cy, 'calendar_id' => $shared, 'chosen' => true]);
            },
            function (): void {
                $of = fn (string $name): object => DB::table('calendars')->where('own_of', DB::table('people')->where('name', $name)->value('id'))->sole();
                // What was made for joining is known to be theirs; what somebody keeps for whatever else is not.
                expect($of('cy')->slug)->toBe('joined')->and($of('ben')->name)->toBe('ben: own calendar')->and($of('ben')->timezone)->toBe('Europe/Oslo')
                    ->and(DB::table('calendars')->whereNotNull('own_of')->count())->toBe(DB::table('people')->where('status', '!=', 'left')->count())
                    ->and(DB::table('overlays')->whereNotNull('home_of')->count())->toBe(DB::table('people')->where('status', '!=', 'left')->count());
                $home = DB::table('overlays')->where('home_of', $of('cy')->own_of)->sole();
                expect(DB::table('layers')->where('overlay_id', $home->id)->orderBy('position')->pluck('name')->all())->toBe(['What I am in', 'Mine', 'shared', 'The rest of my list'])
                    ->and(DB::table('calendar_choices')->whereNull('colour')->where('chosen', true)->count())->toBe(DB::table('calendar_choices')->count());
            },
        ],
        '2026_11_27_000023_coloured_by' => [
            fn () => null,
            fn () => expect(DB::table('overlays')->where('coloured_by', 'layer')->count())->toBe(DB::table('overlays')->count())->toBeGreaterThan(0),
        ],
        '2026_11_27_000024_visits' => [
            fn () => null,
            function (): void {
                $person = DB::table('people')->insertGetId(['name' => 'Fay', 'email' => 'fay@example.org', 'timezone' => 'Europe/London', 'role' => 'member', 'status' => 'active', 'post' => '']);
                DB::table('visits')->insert(['person_id' => $person, 'since' => now(), 'last_at' => now()]);
                DB::table('people')->delete($person);
                expect(DB::table('visits')->count())->toBe(0);
            },
        ],
        '2026_11_27_000025_publications' => [
            fn () => null,
            function (): void {
                $person = DB::table('people')->insertGetId(['name' => 'Gus', 'email' => 'gus@example.org', 'timezone' => 'Europe/London', 'role' => 'member', 'status' => 'active', 'post' => '']);
                DB::table('publications')->insert(['name' => 'Slip', 'calendar_id' => DB::table('calendars')->value('id'), 'detail' => 'titles', 'audience' => 'everybody', 'slug' => 'slip', 'published_by' => $person]);
                expect(DB::table('publications')->sole()->period)->toBe('all');
                DB::table('people')->delete($person);
                expect(DB::table('publications')->count())->toBe(0);
            },
        ],
        '2026_11_28_000026_forms_of_publications' => [
            function (): void {
                $person = DB::table('people')->insertGetId(['name' => 'Gil', 'email' => 'gil@example.org', 'timezone' => 'Europe/London', 'role' => 'member', 'status' => 'active', 'post' => '']);
                DB::table('publications')->insert(['name' => 'Slip', 'calendar_id' => DB::table('calendars')->value('id'), 'detail' => 'titles', 'audience' => 'everybody', 'slug' => 'slip', 'published_by' => $person]);
            },
            fn () => expect((array) DB::table('publications')->sole())->toMatchArray(['name' => 'Slip', 'conditions' => null, 'frame_sites' => null, 'on_screen' => 0]),
        ],
        '2026_11_28_000027_personal_feeds' => [
            fn () => DB::table('feeds')->insert(['calendar_id' => DB::table('calendars')->value('id'), 'name' => 'Wall', 'detail' => 'full', 'token_hash' => str_repeat('a', 64), 'created_by' => DB::table('people')->value('id')]),
            function (): void {
                expect((array) DB::table('feeds')->where('name', 'Wall')->sole())->toMatchArray(['personal' => 0, 'token' => null, 'weeks_back' => null, 'conditions' => null, 'version' => 1, 'overlay_id' => null]);
                DB::table('feeds')->where('name', 'Wall')->update(['calendar_id' => null]);
                DB::table('feeds')->where('name', 'Wall')->delete();
            },
        ],
        '2026_11_28_000028_publication_links' => [
            fn () => DB::table('publications')->where('name', 'Slip')->update(['on_screen' => 1]),
            fn () => expect((array) DB::table('publication_links')->sole())->toMatchArray(['publication_id' => DB::table('publications')->where('name', 'Slip')->value('id'), 'purpose' => 'screen', 'ended_at' => null]),
        ],
        '2026_11_28_000029_member_frames' => [
            fn () => null,
            function (): void {
                $person = DB::table('people')->insertGetId(['name' => 'Hal', 'email' => 'hal@example.org', 'timezone' => 'Europe/London', 'role' => 'member', 'status' => 'active', 'post' => '']);
                DB::table('member_frames')->insert(['key' => str_repeat('a', 32), 'calendar_id' => DB::table('calendars')->value('id'), 'view' => 'lanes', 'may_change' => 1, 'made_by' => $person]);
                DB::table('people')->delete($person);
                expect(DB::table('member_frames')->count())->toBe(0);
            },
        ],
        '2026_11_28_000030_event_invitations' => [
            fn () => null,
            function (): void {
                expect(DB::table('people')->where('invitations_by_mail', false)->count())->toBe(0)->and(DB::table('event_participants')->where('note', '!=', '')->count())->toBe(0);
                $id = DB::table('event_invitations')->insertGetId(['event_id' => DB::table('events')->max('id') + 1, 'address' => 'a@example.org']);
                DB::table('outbox')->insert(['kind' => 'invitation', 'slot' => "invitation {$id}", 'invitation_id' => $id, 'address' => 'a@example.org', 'due_at' => now(), 'created_at' => now()]);
                expect((array) DB::table('outbox')->sole())->toMatchArray(['state' => 'waiting', 'attempts' => 0, 'sent_at' => null]);
                DB::table('event_invitations')->delete($id);
                expect(DB::table('outbox')->count())->toBe(0);
            },
        ],
        '2026_11_28_000031_own_reminders' => [
            fn () => null,
            function (): void {
                $id = DB::table('own_reminders')->insertGetId(['person_id' => DB::table('people')->value('id'), 'event_id' => DB::table('events')->value('id'), 'minutes' => 10, 'created_at' => now()]);
                DB::table('reminders_sent')->insert(['reminder_id' => $id, 'recurrence_id' => '', 'starts_at' => now()]);
                DB::table('own_reminders')->delete($id);
                expect(DB::table('reminders_sent')->count())->toBe(0);
            },
        ],
        '2026_11_28_000032_following' => [
            fn () => null,
            function (): void {
                $person = DB::table('people')->insertGetId(['name' => 'Cy Mast', 'email' => 'cy.follows@example.org', 'timezone' => 'Europe/London', 'role' => 'member', 'status' => 'active', 'post' => '']);
                $calendar = DB::table('calendars')->value('id');
                $follow = ['person_id' => $person, 'kind' => 'calendar', 'target' => "calendar {$calendar}", 'calendar_id' => $calendar, 'wanted' => '["moved"]', 'pace' => 'now', 'by_mail' => true, 'in_inbox' => true];
                DB::table('follows')->insert($follow);
                expect(fn () => DB::table('follows')->insert($follow))->toThrow(Illuminate\Database\UniqueConstraintViolationException::class);
                $batch = DB::table('notice_batches')->insertGetId(['created_at' => now()]);
                DB::table('notices')->insert(['person_id' => $person, 'batch_id' => $batch, 'pace' => 'now', 'lines' => '[]', 'in_inbox' => true, 'created_at' => now()]);
                // Nobody is quiet, and nothing is suggested, until somebody says so; whoever goes takes with them what they follow.
                expect(DB::table('people')->where('quiet_hours', '!=', '')->count())->toBe(0)->and(DB::table('calendars')->whereNotNull('suggested_pace')->count())->toBe(0);
                DB::table('people')->delete($person);
                expect(DB::table('follows')->count() + DB::table('notices')->count())->toBe(0);
            },
        ],
        '2026_11_28_000033_terms_of_taking_part' => [
            fn () => null,
            function (): void {
                // Nothing asks sooner than it did, takes remarks, or is far away, until somebody says so.
                expect(DB::table('events')->count())->toBeGreaterThan(0)->and(DB::table('events')->whereNotNull('ask_when')->orWhereNotNull('travel_minutes')->count())->toBe(0)
                    ->and(DB::table('calendars')->where('asks_provisional', true)->orWhere('remarks', true)->count())->toBe(0);
                $person = DB::table('people')->insertGetId(['name' => 'Cy Mast', 'email' => 'cy.remarks@example.org', 'timezone' => 'Europe/London', 'role' => 'member', 'status' => 'active', 'post' => '']);
                $of = ['event_id' => DB::table('events')->value('id'), 'person_id' => $person];
                DB::table('event_remarks')->insert($of + ['text' => 'Bring gloves', 'created_at' => now()]);
                DB::table('event_remark_mutes')->insert($of);
                // What was remarked stays when whoever did goes.
                DB::table('people')->delete($person);
                expect(DB::table('event_remarks')->whereNull('person_id')->count())->toBe(1)->and(DB::table('event_remark_mutes')->count())->toBe(0);
            },
        ],
        '2026_11_28_000034_documents_brought_in' => [
            function (): void {
                $person = DB::table('people')->value('id') ?? DB::table('people')->insertGetId(['name' => 'Cy Mast', 'email' => 'cy.imports@example.org', 'timezone' => 'Europe/London', 'role' => 'member', 'status' => 'active', 'post' => '']);
                DB::table('imports')->insert(['calendar_id' => DB::table('calendars')->value('id'), 'created_by' => $person, 'file_name' => 'term.ics', 'created_at' => now(), 'updated_at' => now()]);
            },
            function (): void {
                // What was looked at before was a calendar file, of which nothing is put right.
                expect(DB::table('imports')->count())->toBeGreaterThan(0)->and(DB::table('imports')->where('kind', '!=', 'calendar')->orWhereNotNull('options')->count())->toBe(0);
            },
        ],
        '2026_11_28_000035_refreshes_are_asked_about' => [
            function (): void {
                DB::table('sources')->delete();
                [$works, $fails] = DB::table('calendars')->orderBy('id')->limit(2)->pluck('id')->all();
                $source = static fn (int $calendar, ?string $error): int => DB::table('sources')->insertGetId(['calendar_id' => $calendar, 'url' => 'https://example.org/a.ics', 'refresh_minutes' => 60, 'error' => $error, 'failures' => $error === null ? 0 : 2, 'succeeded_at' => '2026-11-20 10:00:00', 'created_at' => now(), 'updated_at' => now()]);
                DB::table('refreshes')->insert([['source_id' => $source($works, null), 'at' => now(), 'error' => null], ['source_id' => $source($fails, 'It is down.'), 'at' => now(), 'error' => 'It is down.']]);
            },
            function (): void {
                // What failed has failed since it was last fetched; nothing waits for a word, and all of it is a calendar as before.
                expect(DB::table('refreshes')->orderBy('id')->pluck('state')->all())->toBe(['done', 'failed'])->and(DB::table('sources')->orderBy('id')->pluck('failing_since')->all())->toBe([null, '2026-11-20 10:00:00'])
                    ->and(DB::table('sources')->where('kind', '!=', 'calendar')->orWhereNotNull('terms')->orWhereNotNull('sign_in')->orWhereNotNull('catalogue')->orWhereNotNull('declined')->count())->toBe(0);
                $operation = DB::table('operations')->insertGetId(['kind' => 'refresh', 'cause' => 'refresh', 'created_at' => now()]);
                DB::table('refreshes')->update(['operation_id' => $operation]);
                // A refresh stays in the list when what it was is kept no more.
                DB::table('operations')->delete($operation);
                expect(DB::table('refreshes')->whereNull('operation_id')->count())->toBe(2);
            },
        ],
        '2026_11_28_000036_imports_stay' => [
            fn () => null,
            function (): void {
                expect(DB::table('imports')->count())->toBeGreaterThan(0)->and(DB::table('imports')->whereNotNull('operation_id')->count())->toBe(0);
                $import = DB::table('imports')->first();
                DB::table('import_lines')->insert(['import_id' => $import->id, 'calendar_id' => $import->calendar_id, 'uid' => 'one', 'line' => 2, 'said' => 'Drill', 'fingerprint' => str_repeat('a', 64)]);
                $shape = ['person_id' => $import->created_by, 'shape' => str_repeat('b', 64), 'roles' => '{"0":"title"}'];
                DB::table('table_shapes')->insert($shape);
                expect(fn () => DB::table('table_shapes')->insert($shape))->toThrow(Illuminate\Database\UniqueConstraintViolationException::class);
                DB::table('imports')->delete($import->id);
                expect(DB::table('import_lines')->count())->toBe(0);
            },
        ],
        '2026_11_28_000037_sources_are_pinned' => [
            fn () => null,
            function (): void {
                $pin = DB::table('event_pins')->first();
                expect($pin)->not->toBeNull()->and(DB::table('event_pins')->whereNotNull('source_pin_id')->count())->toBe(0);
                $all = DB::table('source_pins')->insertGetId(['source_id' => DB::table('sources')->value('id'), 'calendar_id' => $pin->calendar_id, 'pinned_by' => $pin->pinned_by]);
                DB::table('event_pins')->where('id', $pin->id)->update(['source_pin_id' => $all]);
                // A pin that came by all of a source being pinned goes by a command, which knows what else there is to do.
                DB::table('source_pins')->delete($all);
                expect(DB::table('event_pins')->where('id', $pin->id)->value('source_pin_id'))->toBeNull();
            },
        ],
        '2026_11_28_000038_rows_have_keys' => [
            fn () => DB::table('import_lines')->insert(['import_id' => DB::table('imports')->insertGetId(['calendar_id' => DB::table('calendars')->value('id'), 'created_by' => DB::table('people')->value('id'), 'file_name' => 'duties.csv', 'kind' => 'table']), 'calendar_id' => DB::table('calendars')->value('id'), 'uid' => 'two', 'line' => 3, 'said' => 'Tea', 'fingerprint' => str_repeat('c', 64)]),
            fn () => expect(DB::table('import_lines')->pluck('row_key', 'uid')->all())->toBe(['two' => null])->and(DB::table('table_shapes')->whereNotNull('keys')->count())->toBe(0),
        ],
    ];
}

test('each migration since 0.9 takes a filled database on', function () {
    config(['database.connections.filled' => ['database' => 'rota_migrations'] + config('database.connections.'.config('database.default'))]);
    config(['database.default' => 'filled']);
    Artisan::call('db:wipe', ['--force' => true]);
    $files = array_map(static fn (string $path): string => basename($path, '.php'), glob(database_path('migrations/*.php')));
    $later = array_values(array_filter($files, static fn (string $name): bool => $name > LAST_OF_0_9));
    expect(array_keys(steps()))->toBe($later, 'Each migration is tested here.');
    $migrate = static fn (string ...$names): int => Artisan::call('migrate', ['--force' => true, '--path' => array_map(static fn (string $name): string => "database/migrations/{$name}.php", $names)]);
    expect($migrate(...array_diff($files, $later)))->toBe(0);
    foreach (steps() as $name => [$before, $after]) {
        $before();
        expect($migrate($name))->toBe(0);
        $after();
    }
    // There is nothing left to do, and doing it again does nothing.
    Artisan::call('migrate', ['--force' => true]);
    expect(Artisan::output())->toContain('Nothing to migrate');
});
