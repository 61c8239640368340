<?php

namespace App\Organisation;

use App\Calendars\Category;
use PinnedRota\Core\Organisation\FirstStep;
use PinnedRota\Core\Organisation\FirstSteps;

/** How far an organisation has come with what it begins with. */
final readonly class FirstStepsData
{
    /**
     * @param  list<FirstStepData>  $steps  In their order
     * @param  list<CommonCategoryData>  $categories  To begin with, of which it has none yet
     */
    public function __construct(
        public array $steps,
        public array $categories,
    ) {
    }

    public static function of(FirstSteps $steps): self
    {
        $there = Category::query()->whereNull('calendar_id')->pluck('name')->map(static fn (string $name): string => mb_strtolower($name))->all();
        $categories = [];
        foreach (FirstSteps::CATEGORIES as $name => [$colour, $closesDay]) {
            if (! in_array(mb_strtolower($name), $there, true)) {
                $categories[] = new CommonCategoryData($name, $colour, $closesDay);
            }
        }

        return new self(array_map(static fn (FirstStep $step): FirstStepData => new FirstStepData($step, $step->title(), $step->about(), $steps->stateOf($step)), FirstStep::cases()), $categories);
    }
}
