<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

use LogicException;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\PartyKind;

/** What changes of an event that is taken from one row of lanes to another: what these rows are told apart by, and that alone. */
final readonly class RowMove
{
    /**
     * @param  string  $from  the row it stands in, as Grouping names it
     * @param  string  $to  the place or the category as it is written; empty for the row of what has none
     */
    private function __construct(private Grouping $by, private string $from, private string $to = '', private ?Participant $responsible = null)
    {
    }

    /** @param  ?string  $place  null for none */
    public static function toPlace(?string $place): self
    {
        return new self(Grouping::Place, '', trim((string) $place));
    }

    public static function toCategory(string $from, string $to): self
    {
        return new self(Grouping::Category, $from, trim($to));
    }

    /** @param  ?Participant  $to  null where nobody is responsible instead */
    public static function toPerson(string $from, ?Participant $to): self
    {
        return new self(Grouping::Person, $from, responsible: $to);
    }

    public function apply(Event $event): Event
    {
        return match ($this->by) {
            Grouping::Place => $event->with(contents: $event->contents->with(place: $this->to)),
            Grouping::Category => $event->with(contents: $event->contents->with(categories: $this->categories($event->contents->categories))),
            Grouping::Person => $event->with(participants: $this->participants($event->participants)),
            default => throw new LogicException('Between these rows an event goes to another calendar.'),
        };
    }

    /**
     * @param  list<string>  $categories
     * @return list<string>
     */
    private function categories(array $categories): array
    {
        $stay = array_filter($categories, fn (string $name): bool => ! in_array(mb_strtolower($name), [$this->from, mb_strtolower($this->to)], true));

        return [...$stay, ...($this->to === '' ? [] : [$this->to])];
    }

    /**
     * @param  list<Participant>  $participants
     * @return list<Participant>
     */
    private function participants(array $participants): array
    {
        $leaves = fn (Participant $each): bool => $each->party?->kind === PartyKind::Person && $each->role === ParticipantRole::Responsible && (string) $each->party->id === $this->from;
        $stay = array_filter($participants, fn (Participant $each): bool => ! $leaves($each) && ($this->responsible === null || ! $each->is($this->responsible)));

        if ($this->responsible === null) {
            return array_values($stay);
        }
        // Whoever takes part already keeps what they have answered.
        $known = array_values(array_filter($participants, fn (Participant $each): bool => $each->is($this->responsible)));

        return [...$stay, ($known[0] ?? $this->responsible)->with(role: ParticipantRole::Responsible)];
    }
}
