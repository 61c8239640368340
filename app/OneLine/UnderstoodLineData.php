<?php

namespace App\OneLine;

use App\Participants\EventParticipantData;
use App\Recurrence\UnderstoodRepeatData;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\OneLine\Doubt;
use PinnedRota\Core\OneLine\Piece;
use PinnedRota\Core\OneLine\SpanReading;
use PinnedRota\Core\OneLine\Understood;
use PinnedRota\Core\OneLine\Vocabulary;

/** What was understood of a line. */
final readonly class UnderstoodLineData
{
    /**
     * @param  list<string>  $categories
     * @param  list<EventParticipantData>  $participants
     * @param  ?string  $calendar  The one that was named, or else the likeliest
     * @param  list<LinePieceData>  $pieces
     * @param  list<LineDoubtData>  $doubts
     * @param  ?SpanReading  $span  How several days with one hour were read; null where there is nothing to choose
     * @param  list<string>  $showsOn  Calendars on which the writer would see it at once, in the order of the layers
     */
    public function __construct(
        public string $title,
        public ?string $start,
        public ?string $end,
        public bool $allDay,
        public string $place,
        public array $categories,
        public array $participants,
        public ?string $calendar,
        public Status $status,
        public bool $private,
        public ?UnderstoodRepeatData $repeat,
        public array $pieces,
        public array $doubts,
        public ?SpanReading $span,
        public array $showsOn,
    ) {
    }

    /**
     * @param  ?string  $likely  the calendar, where none was named
     * @param  list<string>  $showsOn
     */
    public static function of(Understood $is, Vocabulary $words, ?string $likely, array $showsOn): self
    {
        return new self(
            title: $is->title,
            start: $is->allDay ? $is->start?->toDate() : $is->start?->toMinute(),
            end: $is->allDay ? $is->end?->toDate() : $is->end?->toMinute(),
            allDay: $is->allDay,
            place: $is->place,
            categories: $is->categories,
            participants: self::participantsOf($is, $words),
            calendar: $is->calendar ?? $likely,
            status: $is->provisional ? Status::Provisional : Status::Confirmed,
            private: $is->private,
            repeat: UnderstoodRepeatData::of($is),
            pieces: array_map(static fn (Piece $piece): LinePieceData => new LinePieceData($piece->kind, $piece->at, $piece->text), $is->pieces),
            doubts: array_map(static fn (Doubt $doubt): LineDoubtData => new LineDoubtData($doubt->kind, $doubt->at, $doubt->text, $doubt->reason, $doubt->reason->blocks(), $doubt->offers), $is->doubts),
            span: $is->reading,
            showsOn: $showsOn,
        );
    }

    /** @return list<EventParticipantData> */
    private static function participantsOf(Understood $is, Vocabulary $words): array
    {
        $tell = static fn (string $kind, string $part, array $names): callable => static fn (int $id): EventParticipantData => EventParticipantData::named($id, $kind, $names[$id], $part);

        return [
            ...array_map($tell('person', 'responsible', $words->people), $is->responsible),
            ...array_map($tell('person', 'required', $words->people), array_values(array_diff($is->people, $is->responsible))),
            ...array_map($tell('group', 'required', $words->groups), $is->groups),
            ...array_map($tell('room', 'required', $words->rooms), $is->rooms),
        ];
    }
}
