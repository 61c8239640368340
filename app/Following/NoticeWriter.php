<?php

namespace App\Following;

use App\Access\AccessReader;
use App\Access\Perspective;
use App\Outbox\LetterHours;
use App\Outbox\NothingToSend;
use App\Outbox\OutboxLetter;
use App\Outbox\WritesLetters;
use App\Outbox\WrittenLetter;
use Illuminate\Contracts\View\Factory;
use PinnedRota\Core\Notices\Pace;

/**
 * The letter that tells what changed with what somebody follows: what they may see of it when it is sent.
 *
 * @phpstan-import-type Line from NoticeLines
 */
final class NoticeWriter implements WritesLetters
{
    /** Of more lines the first are told. */
    private const MOST = 30;

    public function __construct(private readonly NoticeLines $lines, private readonly AccessReader $access, private readonly Factory $views)
    {
    }

    public function write(OutboxLetter $letter): WrittenLetter
    {
        $person = $letter->person;
        $notice = Notice::query()->find((int) ($letter->about['notice'] ?? 0));
        if ($person === null || ! $person->isActive()) {
            throw new NothingToSend('They are no longer active.');
        }
        LetterHours::await($person);
        $perspective = $this->access->eyesOf($person);
        $lines = $this->lines->seen(array_values(array_filter($notice->lines ?? [], static fn (array $line): bool => $line['mail'])), $perspective);
        if ($lines === []) {
            throw new NothingToSend('There is nothing of it that they see.');
        }
        $more = count($lines) - self::MOST;
        $words = [
            'title' => count($lines) === 1 ? 'A change' : count($lines).' changes', 'calendars' => self::byCalendar(array_slice($lines, 0, self::MOST), $perspective), 'more' => max(0, $more), 'url' => url('/waiting'), 'stop' => StopLetters::link($person, Pace::Now),
        ];

        return new WrittenLetter(
            address: $person->email, name: $person->name, from: (string) config('mail.from.name'), subject: $lines[0]['words'].(count($lines) === 1 ? '' : ', and '.(count($lines) - 1).' more'),
            text: $this->views->make('letters.notice-text', $words)->render(), html: $this->views->make('letters.notice', $words)->render(), unsubscribe: $words['stop'],
        );
    }

    /**
     * @param  list<Line>  $lines
     * @return array<string, list<array{words: string, url: string}>> by the name of the calendar
     */
    public static function byCalendar(array $lines, Perspective $perspective): array
    {
        $told = [];
        foreach ($lines as $line) {
            $told[$perspective->calendars[$line['calendar']]->calendar->name ?? ''][] = ['words' => $line['words'], 'url' => self::url($line, $perspective)];
        }

        return $told;
    }

    /** @param  Line  $line */
    private static function url(array $line, Perspective $perspective): string
    {
        $told = NoticeLineData::of($line, $perspective);

        return url('/').'?'.http_build_query(array_filter(['calendar' => $told->calendar?->slug, 'date' => $told->date, 'event' => $told->event, 'occurrence' => $told->occurrence], static fn ($value): bool => $value !== null));
    }
}
