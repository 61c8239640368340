<?php

namespace App\Bulk;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Copies\EventCopy;
use App\Events\EventRecord;
use App\Events\EventTranslator;
use App\Events\Read\SeenSeries;
use App\Events\TargetCalendar;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\BulkChange;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\Zone;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

/** What a bulk change makes of each of its events: the same for the preview and for carrying it out. */
final class BulkPlan
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenSeries $seen, private readonly TargetCalendar $targets, private readonly Cells $cells, private readonly EventTranslator $translator, private readonly EventCopy $copies)
    {
    }

    /**
     * @return list<Planned> by id
     *
     * @throws ValidationException where the change is wrong as such
     */
    public function of(BulkInput $input): array
    {
        $change = $input->change();
        $target = $input->filled('calendar') ? $this->targets->named($input->validated('calendar')) : null;
        $heads = EventRecord::query()->whereNull('series_id')->whereIntegerInRaw('id', $input->ids())->orderBy('id')->with(EventRecord::WHOLE)->get()->keyBy('id');
        $wall = Zone::of($input->validated('tz'));
        $planned = [];
        foreach ($input->events() as $id => $asked) {
            $planned[] = $this->one($id, $asked, $heads, $input, $change, $target, $wall);
        }
        usort($planned, static fn (Planned $a, Planned $b): int => $a->id <=> $b->id);

        return $planned;
    }

    /** @param  Collection<int, EventRecord>  $heads */
    private function one(int $id, BulkEvent $asked, Collection $heads, BulkInput $input, BulkChange $change, ?AccessibleCalendar $target, Zone $wall): Planned
    {
        $head = $heads[$id] ?? null;
        // Read for all of them at once.
        $series = $head === null ? null : $this->translator->series($head);
        $shown = $series === null ? Visibility::Hidden : $this->seen->visibility($head, $series->events()[0], $this->viewer->perspective());
        if ($shown !== Visibility::Full) {
            // What is hidden is told of as though it were not there.
            return Planned::refused($id, null, 'It is not there any more, or not for you.');
        }
        try {
            // A copy takes no right to change what is copied.
            if (! $input->filled('copyDays')) {
                $this->seen->demandChangeByCalendar($head, $this->viewer->perspective());
            }
            if ($head->version !== $asked->version) {
                return Planned::refused($id, $head, 'Somebody changed it since it was shown here.', true);
            }
            if ($input->boolean('delete')) {
                return new Planned($id, $head, $series, null, $head->calendar_id);
            }
            $target = isset($asked->cells['calendar']) ? $this->cells->target($asked->cells['calendar']) : $target;
            if ($target === null && $input->filled('copyDays')) {
                $target = $this->targets->named($this->viewer->calendars()[$head->calendar_id]->calendar->slug ?? '');
            }
            // A copy has of it what its viewer sees.
            $series = $input->filled('copyDays') ? $this->copies->seen($head, $series, $this->viewer->perspective()) : $series;
            $after = $this->cells->contents($asked->cells, $series);
            $after = ($input->filled('copyDays') ? new BulkChange(shiftDays: $input->integer('copyDays')) : $change)->apply($after);
            $calendar = $target ?? $this->viewer->calendars()[$head->calendar_id];
            $this->targets->demandCategoriesOf($calendar, $after);
            $new = $input->boolean('newCategories') ? [] : $this->cells->newCategories($asked->cells, $calendar);
            if ($new !== []) {
                return Planned::refused($id, $head, $this->cells->areNew($new, $calendar), newCategories: $new);
            }
            [$after, $later] = $this->cells->moved($asked, $after, $wall);

            return new Planned($id, $head, $series, $after, $calendar->calendar->id, $later);
        } catch (InvalidRule|InvalidTime|HttpExceptionInterface $problem) {
            return Planned::refused($id, $head, $problem->getMessage());
        } catch (ValidationException $problem) {
            return Planned::refused($id, $head, (string) collect($problem->errors())->flatten()->first());
        }
    }
}
