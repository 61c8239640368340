<?php

use PinnedRota\Core\OneLine\MessageText;
use PinnedRota\Core\OneLine\OneLineReader;
use PinnedRota\Core\Time\LocalDateTime;

test('of a message that was pasted, what, when, where and who make a line', function (string $message, string $meaning) {
    $line = MessageText::line($message, vocabulary(), LocalDateTime::parse(NOW));
    $is = OneLineReader::read($line, vocabulary(), LocalDateTime::parse(NOW));
    expect(meaning(new PinnedRota\Core\OneLine\Understood(...['doubts' => []] + get_object_vars($is))))->toBe($meaning, $line);
})->with([
    'a sentence between a greeting and a signature' => [
        "Hi all,\n\nWe will have a rigging workshop on Friday at 14:00 in the Long loft.\n\nThanks,\nMaro", 'Rigging workshop | 2026-11-27T14:00…15:00 | at Long loft',
    ],
    'a greeting on the same line' => ['Hello Oda, the harbour walk is on 14 March from 9:30 to 11. See you there!', 'Harbour walk | 2027-03-14T09:30…11:00'],
    'with a subject and headers' => [
        "From: Maro Breck <maro@example.org>\nSent: Tuesday 24 November 2026 16:02\nTo: Staff\nSubject: Re: Slip inspection\n\nGood morning,\nthe surveyor comes tomorrow, 10:30.\n\nKind regards\nMaro\n01234 567890",
        'Slip inspection | 2026-11-26T10:30…11:30',
    ],
    'with labels' => ["What: Open evening for parents\nWhen: Thu 3 Dec, 18:00–20:00\nWhere: Joinery shop\nWho: Rufus Tamm, Esi Marrin", 'Open evening for parents | 2026-12-03T18:00…20:00 | at Joinery shop | with 2,3'],
    'when and where in sentences of their own' => ["Dear colleagues,\nPlease note that the fire drill has been moved. It is on Monday now. We start at 10:45.\nBest wishes", 'Fire drill | 2026-11-30T10:45…11:45'],
    'people in the text' => ["Hey team,\nlet's meet about oars tomorrow at 3pm. Rufus Tamm will bring the drawings.\nCheers", 'About oars | 2026-11-26T15:00…16:00 | with 2'],
    'a repeat' => ["Just a reminder that there is a safety briefing every monday at 8:45 in the Steam box until 18 dec.\n\nRegards,\nE.", 'Safety briefing | 2026-11-30T08:45…09:45 | WEEKLY;BYDAY=MO until 2026-12-18 | at Steam box'],
    'what was quoted is not read' => ["Could we do the mast check on Thursday at 2pm?\n\nOn Mon 23 Nov, Oda wrote:\n> the sail repair is on Friday 9:00 in the Long loft", 'Mast check | 2026-11-26T14:00…15:00 | provisional'],
    'a subject that names a day' => ["Subject: Friday club trip\nIt is on 5 December at 9:00.", 'Friday club trip | 2026-12-05T09:00…10:00'],
    'days in a row' => ["Hi,\nthe regatta camp takes place 14–16 March at Breck Haven.\nBest,\nO.", 'Regatta camp | 2027-03-14…2027-03-16 | at Breck Haven'],
    'no time at all' => ["Hello,\nthe paint has arrived.\nThanks", 'Paint has arrived'],
    'nothing but a greeting' => ["Hello all,\n\nThanks,\nMaro", ''],
]);

test('whatever is pasted, a line comes of it without an error', function () {
    mt_srand(5);
    $words = ["\n", 'Hi all,', 'Thanks', 'fri', '9:30', 'Subject:', '>', '"', 'the', 'is', 'Long loft', '. ', 'É', 'with Oda', 'until', 'every week', '--', "\r\n", '?', 'When:', "\t"];
    for ($round = 0; $round < 1500; $round++) {
        $message = implode(' ', array_map(static fn (): string => $words[mt_rand(0, count($words) - 1)], range(1, mt_rand(1, 25))));
        $line = MessageText::line($message, vocabulary(), LocalDateTime::parse(NOW));
        expect(preg_match('/[\r\n]/', $line))->toBe(0, $message)->and(mb_check_encoding($line))->toBeTrue();
    }
});
