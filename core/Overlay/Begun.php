<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

use PinnedRota\Core\Events\Status;

/** What an event has that is begun in a layer, so that the layer takes it, as far as that can be told beforehand. */
final readonly class Begun
{
    /**
     * @param  list<string>  $categories
     * @param  ?Status  $status  null where any will do
     * @param  ?bool  $busy  null where either will do
     */
    public function __construct(public array $categories = [], public ?Status $status = null, public ?bool $busy = null)
    {
    }

    /** @param  list<string>  $names */
    public function inCategories(array $names): self
    {
        return new self(array_values(array_unique([...$this->categories, ...$names])), $this->status, $this->busy);
    }

    /** @param  list<Status>  $statuses  any of them */
    public function settled(array $statuses): self
    {
        return new self($this->categories, $statuses === [] || in_array(Status::Confirmed, $statuses, true) ? $this->status : $statuses[0], $this->busy);
    }

    public function takingTime(bool $busy): self
    {
        return new self($this->categories, $this->status, $busy);
    }
}
