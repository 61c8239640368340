<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

use PinnedRota\Core\Events\Status;

/** What filters may ask of an event, as far as its viewer may know it. */
final readonly class EventFacts
{
    /**
     * @param  bool  $hidden  whether the viewer sees that the time is taken and nothing else
     * @param  list<string>  $categories  lower case
     * @param  string  $text  title, place and description, in lower case
     * @param  list<int>  $responsible  ids of people
     * @param  list<int>  $takingPart  ids of people, those who are responsible among them
     */
    public function __construct(
        public int $calendarId,
        public bool $hidden = false,
        public array $categories = [],
        public string $text = '',
        public ?int $addedBy = null,
        public array $responsible = [],
        public array $takingPart = [],
        public Status $status = Status::Confirmed,
        public bool $allDay = false,
        public bool $busy = true,
        public string $place = '',
    ) {
    }

    /** The text of an event in which words are sought. */
    public static function textOf(string $title, string $place, string $description = ''): string
    {
        return mb_strtolower("{$title}\n{$place}\n{$description}");
    }

    /** The same on another calendar. */
    public function on(int $calendarId): self
    {
        return new self($calendarId, $this->hidden, $this->categories, $this->text, $this->addedBy, $this->responsible, $this->takingPart, $this->status, $this->allDay, $this->busy, $this->place);
    }
}
