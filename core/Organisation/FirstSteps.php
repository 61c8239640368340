<?php

declare(strict_types=1);

namespace PinnedRota\Core\Organisation;

use PinnedRota\Core\Overlay\Colour;

/** How far an organisation has come with what it begins with. */
final readonly class FirstSteps
{
    /**
     * Categories that many organisations have: by name, with a colour, and whether their days are closed.
     *
     * @var array<string, array{Colour, bool}>
     */
    public const CATEGORIES = [
        'Closed' => [Colour::Slate, true], 'Assessment' => [Colour::Brick, false], 'Meeting' => [Colour::Sea, false], 'Deadline' => [Colour::Ochre, false],
        'Trip' => [Colour::Moss, false], 'Open day' => [Colour::Plum, false],
    ];

    /**
     * @param  list<FirstStep>  $done  as can be seen from what is there
     * @param  list<FirstStep>  $skipped  as somebody has said
     */
    public function __construct(private array $done, private array $skipped)
    {
    }

    public function stateOf(FirstStep $step): FirstStepState
    {
        return match (true) {
            in_array($step, $this->done, true) => FirstStepState::Done,
            in_array($step, $this->skipped, true) => FirstStepState::Skipped,
            default => FirstStepState::Open,
        };
    }

    /** @return list<FirstStep> what is neither done nor left out */
    public function open(): array
    {
        return array_values(array_filter(FirstStep::cases(), fn (FirstStep $step): bool => $this->stateOf($step) === FirstStepState::Open));
    }
}
