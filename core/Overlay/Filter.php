<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** Which events of its calendars a layer takes: those of which every condition holds. */
final readonly class Filter
{
    /** @param  list<Condition>  $conditions  none take every event */
    public function __construct(private array $conditions = [])
    {
    }

    /** @param  list<string>  $names  any of them; none take every event */
    public static function ofCategories(array $names): self
    {
        return new self($names === [] ? [] : [new CategoryCondition($names)]);
    }

    /** What both of them take. */
    public function and(self $other): self
    {
        return new self([...$this->conditions, ...$other->conditions]);
    }

    /** Whether it takes every event. */
    public function isEmpty(): bool
    {
        return $this->conditions === [];
    }

    public function asksText(): bool
    {
        return $this->asks(Asked::Text);
    }

    public function asksPeople(): bool
    {
        return $this->asks(Asked::People);
    }

    private function asks(Asked $what): bool
    {
        foreach ($this->conditions as $condition) {
            if ($condition->asks() === $what) {
                return true;
            }
        }

        return false;
    }

    /** What an event has that is begun behind it. */
    public function begun(): Begun
    {
        return array_reduce($this->conditions, static fn (Begun $begun, Condition $condition): Begun => $condition->begin($begun), new Begun);
    }

    public function takes(EventFacts $event): bool
    {
        foreach ($this->conditions as $condition) {
            if ($condition->holds($event) !== true) {
                return false;
            }
        }

        return true;
    }
}
