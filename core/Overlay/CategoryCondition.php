<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** Asks for categories. */
final readonly class CategoryCondition implements Condition
{
    /** @var array<string, true> */
    private array $names;

    /** @param  list<string>  $written  in any case */
    public function __construct(private array $written, private CategoryMatch $match = CategoryMatch::Any)
    {
        $this->names = array_fill_keys(array_map(mb_strtolower(...), $written), true);
    }

    public function asks(): ?Asked
    {
        return null;
    }

    public function holds(EventFacts $event): ?bool
    {
        if ($event->hidden) {
            return null;
        }
        $met = 0;
        foreach ($event->categories as $category) {
            $met += isset($this->names[$category]) ? 1 : 0;
        }

        return match ($this->match) {
            CategoryMatch::Any => $met > 0,
            CategoryMatch::All => $met === count($this->names),
            CategoryMatch::None => $met === 0,
        };
    }

    public function begin(Begun $begun): Begun
    {
        return match ($this->match) {
            CategoryMatch::Any => $begun->inCategories(array_slice($this->written, 0, 1)),
            CategoryMatch::All => $begun->inCategories($this->written),
            CategoryMatch::None => $begun,
        };
    }
}
