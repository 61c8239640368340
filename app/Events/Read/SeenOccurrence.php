<?php

namespace App\Events\Read;

use PinnedRota\Core\Access\Hold;
use PinnedRota\Core\Events\IndexedOccurrence;
use PinnedRota\Core\Overlay\EventFacts;

/** An occurrence as somebody sees it: what is hidden from them is gone. */
final readonly class SeenOccurrence
{
    /**
     * @param  bool  $isFull  false where they see that the time is taken and nothing else
     * @param  list<string>  $categories  names as written, in order
     * @param  list<string>  $responsible  names
     * @param  bool  $isUnanswered  whether they are asked to take part and have not answered
     * @param  ?Hold  $hold  what keeps them from changing it
     * @param  bool  $isExternal  whether it comes from outside
     * @param  bool  $closes  whether it closes its days
     * @param  EventFacts  $facts  what filters may ask of it
     * @param  bool  $isOnlyAsked  whether they see it because they are asked to it, and by nothing else: then they do not see who else is
     */
    public function __construct(
        public IndexedOccurrence $occurrence,
        public bool $isFull,
        public array $categories,
        public array $responsible,
        public bool $isUnanswered,
        public ?Hold $hold,
        public bool $isExternal,
        public bool $closes,
        public EventFacts $facts,
        public bool $isOnlyAsked,
    ) {
    }

    /** By what the same event is told by two ways; null where nobody is to learn that it is the same. */
    public function sameness(): ?string
    {
        return $this->isFull ? "{$this->occurrence->uid} ".($this->occurrence->recurrenceId ?? $this->occurrence->starts) : null;
    }
}
