<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\Overlay\Colour;

/** What an event is about, apart from when it is and who takes part. */
final readonly class EventContents
{
    /** What an event is called here that came without a title; it goes out without one, too. */
    public const UNTITLED = 'Untitled';

    /** The plain texts: each is a column, a property and a field of the same name. */
    public const TEXTS = ['title', 'place', 'description', 'link'];

    /**
     * @param  list<string>  $categories
     * @param  int  $priority  0 undefined, 1 highest to 9 lowest (RFC 5545, 3.8.1.9)
     * @param  ?Colour  $colour  its own, whatever the layer has that shows it
     */
    public function __construct(
        public string $title,
        public string $place = '',
        public string $description = '',
        public string $link = '',
        public Status $status = Status::Confirmed,
        public bool $busy = true,
        public bool $private = false,
        public array $categories = [],
        public int $priority = 0,
        public ?Colour $colour = null,
    ) {
    }

    /**
     * The same with other values; what is left out stays as it is.
     *
     * @param  ?list<string>  $categories
     */
    public function with(
        ?string $title = null,
        ?string $place = null,
        ?Status $status = null,
        ?bool $busy = null,
        ?bool $private = null,
        ?array $categories = null,
        ?int $priority = null,
    ): self {
        return new self(
            $title ?? $this->title, $place ?? $this->place, $this->description, $this->link, $status ?? $this->status, $busy ?? $this->busy,
            $private ?? $this->private, $categories ?? $this->categories, $priority ?? $this->priority, $this->colour,
        );
    }

    /** @return array{title: string, place: string, description: string, link: string} the plain texts by name */
    public function texts(): array
    {
        return ['title' => $this->title, 'place' => $this->place, 'description' => $this->description, 'link' => $this->link];
    }
}
