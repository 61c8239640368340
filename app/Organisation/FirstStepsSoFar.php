<?php

namespace App\Organisation;

use App\Calendars\Calendar;
use App\Calendars\Category;
use App\Directory\Group;
use App\Directory\Person;
use App\Overlays\Overlay;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Organisation\FirstStep;
use PinnedRota\Core\Organisation\FirstSteps;

/** What of the first steps is there, and what somebody has left out. */
final class FirstStepsSoFar
{
    public function __construct(private readonly Organisation $organisation)
    {
    }

    public function steps(): FirstSteps
    {
        $skipped = DB::table('skipped_first_steps')->pluck('step')->map(static fn (string $step): ?FirstStep => FirstStep::tryFrom($step))->filter()->values()->all();

        return new FirstSteps(array_values(array_filter(FirstStep::cases(), $this->isDone(...))), $skipped);
    }

    public function skip(FirstStep $step, bool $skipped): void
    {
        $skipped ? DB::table('skipped_first_steps')->insertOrIgnore(['step' => $step->value]) : DB::table('skipped_first_steps')->where('step', $step->value)->delete();
    }

    private function isDone(FirstStep $step): bool
    {
        return match ($step) {
            FirstStep::Name => $this->organisation->settings()->name !== '',
            FirstStep::Dates => $this->organisation->settings()->timezone !== null,
            FirstStep::Categories => Category::query()->whereNull('calendar_id')->exists(),
            FirstStep::Groups => Group::query()->exists(),
            FirstStep::People => Person::query()->count() > 1,
            FirstStep::Calendar => Calendar::query()->whereNull('own_of')->exists(),
            FirstStep::Overlay => Overlay::query()->whereNull('home_of')->exists(),
        };
    }
}
