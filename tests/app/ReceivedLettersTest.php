<?php

use App\Changes\AccessMarked;
use App\Invitations\EventInvitation;
use App\Invitations\Receive\Received;
use App\Invitations\Receive\ReceiveLetter;
use App\Invitations\ReceivedReply;
use App\Invitations\ReplyKind;
use App\Invitations\ReplyReason;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event as Events;
use PinnedRota\Core\ICalendar\Method;
use Sabre\VObject\ITip\Broker;
use Sabre\VObject\Reader;
use Symfony\Component\Process\Process;
use Tests\Support\Make;
use Tests\Support\SentLetter;

beforeEach(function () {
    $this->travelTo('2026-11-02 10:00:00');
    $this->ada = $this->person('Ada Quill');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->asking = fn (array $input = []): int => $this->as($this->ada, 'POST', '/events', $input + [
        'calendar' => $this->slip->slug, 'title' => 'Oar test', 'start' => '2026-12-01T14:00', 'end' => '2026-12-01T15:00',
        'participants' => [['kind' => 'address', 'address' => 'Guest@Elsewhere.example', 'name' => 'Gus Guest', 'part' => 'required']],
    ])->assertCreated()->json('id');
    $this->change = fn (int $id, array $input, string $query = '') => $this->as($this->ada, 'PATCH', "/events/{$id}{$query}", $input, $this->as($this->ada, 'GET', "/events/{$id}")->json('version'))->assertOk();
    $this->sent = function (): SentLetter {
        $this->travel(600)->seconds();

        return SentLetter::all()[0];
    };
    $this->receive = fn (string $letter): Received => app(ReceiveLetter::class)->receive(Make::stream($letter));
    $this->answer = fn (int $id, string $query = ''): array => collect($this->as($this->ada, 'GET', "/events/{$id}{$query}")->json('participants.0'))->only(['answer', 'note'])->all();
});

test('a request that another program reads is answered by it, and counted', function () {
    $id = ($this->asking)();
    $letter = ($this->sent)();
    $reply = new Process(['/usr/bin/python3', base_path('tests/Support/answer_ics.py'), 'guest@elsewhere.example', 'ACCEPTED', 'With two boats'], input: $letter->calendar());
    $calendar = $reply->mustRun()->getOutput();
    expect(($this->receive)(SentLetter::message('guest@elsewhere.example', $letter->organizer(), $calendar, 'REPLY')))->toBe(Received::Answered)
        ->and(($this->answer)($id))->toBe(['answer' => 'accepted', 'note' => 'With two boats']);
});

test('so is one by a library of another kind, for one time of a series', function () {
    $id = ($this->asking)(['repeat' => ['pick' => ['every' => 1, 'unit' => 'week', 'weekdays' => ['TU']], 'count' => 4]]);
    $letter = ($this->sent)();
    $before = Reader::read(preg_replace('/^METHOD.*\R/m', '', $letter->calendar()));
    $after = clone $before;
    $one = clone $after->VEVENT;
    $one->remove('RRULE');
    $one->add('RECURRENCE-ID', $one->DTSTART->getDateTime()->modify('+1 week'));
    $one->DTSTART->setDateTime($one->DTSTART->getDateTime()->modify('+1 week'));
    $one->DTEND->setDateTime($one->DTEND->getDateTime()->modify('+1 week'));
    $one->ATTENDEE['PARTSTAT'] = 'DECLINED';
    $after->add($one);
    [$message] = (new Broker)->parseEvent($after, 'mailto:guest@elsewhere.example', $before);
    expect($message->method)->toBe('REPLY')->and($message->recipient)->toBe("mailto:{$letter->organizer()}")
        ->and(($this->receive)(SentLetter::message('guest@elsewhere.example', $letter->organizer(), $message->message->serialize(), 'REPLY')))->toBe(Received::Answered)
        ->and(($this->answer)($id, '?occurrence=2026-12-08T14:00:00Z')['answer'])->toBe('declined')->and(($this->answer)($id, '?occurrence=2026-12-15T14:00:00Z')['answer'])->toBe('unanswered');
});

test('an answer that comes twice is one', function () {
    $id = ($this->asking)();
    $reply = ($this->sent)()->reply('TENTATIVE');
    expect(($this->receive)($reply))->toBe(Received::Answered)->and(($this->receive)($reply))->toBe(Received::Answered)->and(($this->answer)($id)['answer'])->toBe('tentative')
        ->and(DB::table('operation_series')->where('series_id', $id)->count())->toBe(2);
});

test('whoever answers by another of their addresses is known by what they were sent', function () {
    $id = ($this->asking)();
    expect(($this->receive)(($this->sent)()->reply('ACCEPTED', from: 'gus.private@elsewhere.example')))->toBe(Received::Answered)->and(($this->answer)($id)['answer'])->toBe('accepted');
});

test('a sender that is forged counts for nothing and is listed for whoever asked', function (Closure $forge) {
    $id = ($this->asking)();
    $letter = ($this->sent)();
    Events::fake([AccessMarked::class]);
    $reply = str_replace($letter->organizer(), $forge($letter->organizer()), $letter->reply('ACCEPTED'));
    $reply = preg_replace_callback('/\R\R(.+)$/s', fn (array $body): string => "\r\n\r\n".chunk_split(base64_encode(str_replace($letter->organizer(), $forge($letter->organizer()), base64_decode($body[1])))), $reply);
    expect(($this->receive)($reply))->toBe(Received::Listed)->and(($this->answer)($id)['answer'])->toBe('unanswered');
    expect(ReceivedReply::query()->sole())->kind->toBe(ReplyKind::Answer)->reason->toBe(ReplyReason::Unsigned)->sender->toBe('guest@elsewhere.example')->event_id->toBe($id);
    Events::assertDispatched(AccessMarked::class);
    // The same again is listed once.
    ($this->receive)($reply);
    expect(ReceivedReply::query()->count())->toBe(1);
})->with([
    'no code' => [fn (string $address): string => preg_replace('/\+[^@]+/', '', $address)],
    'a code that nobody signed' => [fn (string $address): string => preg_replace('/-[0-9a-f]{24}@/', '-'.str_repeat('0', 24).'@', $address)],
]);

test('the code of one event answers to no other', function () {
    $one = ($this->asking)();
    $letter = ($this->sent)();
    $other = ($this->asking)(['title' => 'Other']);
    $reply = ($this->sent)()->reply('ACCEPTED');
    $mixed = preg_replace('/^To: .*$/m', "To: {$letter->organizer()}", $reply);
    expect(($this->receive)($mixed))->toBe(Received::Listed)->and(($this->answer)($one)['answer'])->toBe('unanswered')->and(($this->answer)($other)['answer'])->toBe('unanswered');
});

test('an answer to how it was before it moved is listed; one to what else was changed counts', function () {
    $id = ($this->asking)();
    $first = ($this->sent)();
    ($this->change)($id, ['place' => 'Slip 9']);
    ($this->sent)();
    expect(($this->receive)($first->reply('ACCEPTED')))->toBe(Received::Answered);
    ($this->change)($id, ['start' => '2026-12-03T14:00']);
    $moved = ($this->sent)();
    expect(($this->receive)($first->reply('ACCEPTED')))->toBe(Received::Listed)->and(($this->answer)($id)['answer'])->toBe('unanswered')->and(ReceivedReply::query()->sole()->reason)->toBe(ReplyReason::Outdated)
        ->and(($this->receive)($moved->reply('DECLINED')))->toBe(Received::Answered)->and(($this->answer)($id)['answer'])->toBe('declined');
});

test('what is answered after it was called off, or taken off, changes nothing', function () {
    $id = ($this->asking)();
    $letter = ($this->sent)();
    ($this->change)($id, ['participants' => []]);
    expect(($this->receive)($letter->reply('ACCEPTED')))->toBe(Received::Ignored)->and(DB::table('event_participants')->count())->toBe(0);
});

test('whoever asks for it gets it again, with the same number', function () {
    ($this->asking)();
    $letter = ($this->sent)();
    expect(($this->receive)($letter->reply('NEEDS-ACTION', Method::Refresh)))->toBe(Received::SentAgain);
    [$again] = SentLetter::all();
    expect($again->method())->toBe(['REQUEST', 'REQUEST'])->and($again->events()[0]->sequence)->toBe(0)->and($again->subject())->toStartWith('Asked')->and($again->header('Message-ID'))->not->toBe($letter->header('Message-ID'))
        ->and(($this->receive)($letter->reply('ACCEPTED')))->toBe(Received::Answered);
});

describe('another time that is proposed', function () {
    beforeEach(function () {
        $this->id = ($this->asking)();
        $this->letter = ($this->sent)();
        $this->counter = fn (string $start, string $end): string => $this->letter->reply('TENTATIVE', Method::Counter, 'COMMENT:Later suits me', times: "DTSTART:{$start}\r\nDTEND:{$end}");
        $this->waiting = fn (): array => $this->as($this->ada, 'GET', '/waiting')->assertOk()->json('replies');
    });

    test('waits for whoever asked, and moves the event where they take it', function () {
        expect(($this->receive)(($this->counter)('20261201T150000Z', '20261201T160000Z')))->toBe(Received::Proposed);
        // Whoever proposes again means the last.
        ($this->receive)(($this->counter)('20261202T150000Z', '20261202T160000Z'));
        $waiting = ($this->waiting)();
        expect($waiting)->toHaveCount(1)->and($waiting[0])->toMatchArray(['kind' => 'proposal', 'event' => $this->id, 'title' => 'Oar test', 'from' => 'Gus Guest', 'start' => '2026-12-02T15:00', 'end' => '2026-12-02T16:00', 'note' => 'Later suits me', 'mayTake' => true]);
        $this->as($this->ada, 'PUT', "/replies/{$waiting[0]['id']}", ['take' => true])->assertNoContent();
        $this->as($this->ada, 'GET', "/events/{$this->id}")->assertJsonPath('start', '2026-12-02T15:00')->assertJsonPath('end', '2026-12-02T16:00');
        expect(($this->waiting)())->toBe([])->and(($this->answer)($this->id)['answer'])->toBe('accepted');
        $letter = ($this->sent)();
        expect($letter->method())->toBe(['REQUEST', 'REQUEST'])->and($letter->events()[0]->sequence)->toBe(1)->and($letter->events()[0]->participants[0]->answer->value)->toBe('ACCEPTED');
    });

    test('or is declined, which they are told', function () {
        ($this->receive)(($this->counter)('20261202T150000Z', '20261202T160000Z'));
        $this->as($this->ada, 'PUT', '/replies/'.($this->waiting)()[0]['id'], ['take' => false])->assertNoContent();
        [$letter] = SentLetter::all();
        expect($letter->method())->toBe(['DECLINECOUNTER', 'DECLINECOUNTER'])->and($letter->subject())->toBe('Stays as it is: Oar test, Tue 1 December 2026, 14:00–15:00')->and($letter->to)->toBe('guest@elsewhere.example')
            ->and(($this->waiting)())->toBe([]);
        $this->as($this->ada, 'GET', "/events/{$this->id}")->assertJsonPath('start', '2026-12-01T14:00');
    });

    test('of the same time it is an answer', function () {
        expect(($this->receive)(($this->counter)('20261201T140000Z', '20261201T150000Z')))->toBe(Received::Answered)->and(($this->answer)($this->id)['answer'])->toBe('tentative');
    });

    test('nobody but who asked sees or takes it', function () {
        ($this->receive)(($this->counter)('20261202T150000Z', '20261202T160000Z'));
        $ben = $this->person('Ben Oar');
        $this->give($this->slip, $ben, PinnedRota\Core\Access\Level::Change);
        $this->as($ben, 'GET', '/waiting')->assertJsonPath('replies', []);
        $this->as($ben, 'PUT', '/replies/'.ReceivedReply::query()->value('id'), ['take' => true])->assertNotFound();
    });
});

test('an answer that was not counted can be counted by whoever asked, or left', function (bool $take, string $answer) {
    $id = ($this->asking)();
    $letter = ($this->sent)();
    ($this->change)($id, ['start' => '2026-12-03T14:00']);
    ($this->sent)();
    ($this->receive)($letter->reply('ACCEPTED'));
    $waiting = $this->as($this->ada, 'GET', '/waiting')->json('replies.0');
    expect($waiting)->toMatchArray(['kind' => 'answer', 'reason' => 'outdated', 'answer' => 'accepted', 'from' => 'Gus Guest']);
    $this->as($this->ada, 'PUT', "/replies/{$waiting['id']}", ['take' => $take])->assertNoContent();
    expect(($this->answer)($id)['answer'])->toBe($answer);
    $this->as($this->ada, 'GET', '/waiting')->assertJsonPath('replies', []);
})->with([[true, 'accepted'], [false, 'unanswered']]);

test('words that somebody writes back reach whoever asked', function () {
    ($this->asking)();
    $letter = ($this->sent)();
    $reply = fn (string $more = ''): string => "From: Gus <guest@elsewhere.example>\r\nTo: {$letter->organizer()}\r\nSubject: Re\r\n{$more}Content-Type: text/plain; charset=utf-8\r\n\r\nI may be ten minutes late.\r\n\r\nOn Mon, 2 Nov 2026 at 10:10, Ada Quill wrote:\r\n> Please answer\r\n";
    expect(($this->receive)($reply()))->toBe(Received::Listed);
    $this->as($this->ada, 'GET', '/waiting')->assertJsonPath('replies.0.kind', 'message')->assertJsonPath('replies.0.note', 'I may be ten minutes late.');
    // That somebody is away is no answer.
    expect(($this->receive)($reply("Auto-Submitted: auto-replied\r\n")))->toBe(Received::Ignored)->and(ReceivedReply::query()->count())->toBe(1);
});

test('a letter that did not arrive is shown beside the name, until one does', function () {
    $id = ($this->asking)();
    $letter = ($this->sent)();
    $report = fn (string $action): string => implode("\r\n", ['From: Mail <mailer-daemon@elsewhere.example>', "To: {$letter->organizer()}", 'Subject: Undelivered', 'MIME-Version: 1.0', 'Content-Type: multipart/report; report-type=delivery-status; boundary="b"', '', '--b', 'Content-Type: text/plain', '', 'Sorry.', '--b', 'Content-Type: message/delivery-status', '', 'Reporting-MTA: dns; mail.elsewhere.example', '', 'Final-Recipient: rfc822; guest@elsewhere.example', "Action: {$action}", 'Status: 5.1.1', 'Diagnostic-Code: smtp; 550 5.1.1 No such', ' mailbox', '', '--b--', '']);
    expect(($this->receive)($report('delayed')))->toBe(Received::Ignored)->and(EventInvitation::query()->sole()->bounced_at)->toBeNull()
        ->and(($this->receive)($report('failed')))->toBe(Received::Bounced);
    $this->as($this->ada, 'GET', "/events/{$id}")->assertJsonPath('participants.0.bounce', '550 5.1.1 No such mailbox');
    ($this->change)($id, ['start' => '2026-12-03T14:00']);
    ($this->sent)();
    $this->as($this->ada, 'GET', "/events/{$id}")->assertJsonPath('participants.0.bounce', null);
});

test('what is no answer is let go', function (string $letter) {
    expect(($this->receive)($letter))->toBe(Received::Ignored)->and(ReceivedReply::query()->count())->toBe(0);
})->with([
    'nothing' => [''],
    'no letter' => ["\x00\xff\xfe"],
    'a request of somebody else' => [SentLetter::message('a@b.example', 'rota@localhost', "BEGIN:VCALENDAR\r\nMETHOD:REQUEST\r\nBEGIN:VEVENT\r\nUID:x\r\nDTSTART:20261201T140000Z\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n", 'REQUEST')],
    'an answer to nothing here' => [SentLetter::message('a@b.example', 'rota@localhost', "BEGIN:VCALENDAR\r\nMETHOD:REPLY\r\nBEGIN:VEVENT\r\nUID:x\r\nDTSTART:20261201T140000Z\r\nATTENDEE;PARTSTAT=ACCEPTED:mailto:a@b.example\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n", 'REPLY')],
    'a calendar that is none' => [SentLetter::message('a@b.example', 'rota@localhost', 'hello', 'REPLY')],
]);

test('the command takes a letter in, and has the mail server try again where that fails', function () {
    $id = ($this->asking)();
    $file = tempnam(sys_get_temp_dir(), 'letter');
    file_put_contents($file, ($this->sent)()->reply('ACCEPTED'));
    $this->artisan('rota:receive', ['file' => $file])->expectsOutput('answered')->assertExitCode(0);
    expect(($this->answer)($id)['answer'])->toBe('accepted');
    DB::statement('RENAME TABLE event_invitations TO event_invitations_away');
    try {
        $this->artisan('rota:receive', ['file' => $file])->assertExitCode(75);
    } finally {
        DB::statement('RENAME TABLE event_invitations_away TO event_invitations');
    }
    unlink($file);
});
