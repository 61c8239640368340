<?php

namespace App\Overlays;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use Illuminate\Support\Collection;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Overlay\EventFacts;

/** What somebody looks through at the moment: where a new event could go so that they see it. */
final class LayersInView
{
    /**
     * @param  list<int>  $hidden  layers that are not shown, by their place in the key
     * @param  Collection<int, AccessibleCalendar>  $calendars  those that the viewer sees, by id
     */
    private function __construct(private readonly DrawnLayers $layers, private readonly array $hidden, private readonly Collection $calendars)
    {
    }

    /** @return array<string, mixed> the rules of an input that says what is looked through */
    public static function rules(): array
    {
        return [
            'overlay' => ['sometimes', 'nullable', 'string', 'max:80'],
            'through' => ['sometimes', 'nullable', 'string', 'max:80'],
            'hidden' => ['sometimes', 'array', 'max:100'],
            'hidden.*' => ['integer', 'min:0'],
        ];
    }

    /** @param  array{overlay?: ?string, through?: ?string, hidden?: array<array-key, int|string>}  $input  an overlay, a calendar alone, or neither for all on one’s list */
    public static function of(CurrentViewer $viewer, LayersOfSheet $layers, array $input): self
    {
        $calendar = isset($input['through']) ? $viewer->calendar($input['through'], Level::BusyTimes)->calendar : null;
        $overlay = $calendar === null && isset($input['overlay']) ? $viewer->overlay($input['overlay'], Level::See) : null;

        return new self($layers->through($viewer->perspective(), $overlay, $calendar), array_map(intval(...), array_values($input['hidden'] ?? [])), $viewer->calendars());
    }

    /** @return list<int> the calendars of all layers */
    public function calendarIds(): array
    {
        return $this->layers->calendarIds();
    }

    /**
     * Where an event would be seen at once, of the calendars that the viewer may add to: in the order of the layers.
     *
     * @param  EventFacts  $facts  of an event that is not there yet; its calendar does not matter
     * @return list<string> slugs
     */
    public function showing(EventFacts $facts): array
    {
        $composition = $this->layers->composition();
        $showing = [];
        foreach ($this->targets() as $id => $slug) {
            if (array_diff($composition->layersOf($facts->on($id)), $this->hidden) !== []) {
                $showing[] = $slug;
            }
        }

        return $showing;
    }

    /** @return array<int, string> calendars of the layers that are shown, to which the viewer may add: slugs by id, in order */
    private function targets(): array
    {
        $targets = [];
        foreach ($this->layers->all as $index => $layer) {
            foreach (in_array($index, $this->hidden, true) ? [] : $layer->calendarIds as $id) {
                $calendar = $this->calendars[$id] ?? null;
                if ($calendar !== null && $calendar->mayAdd()) {
                    $targets[$id] ??= $calendar->calendar->slug;
                }
            }
        }

        return $targets;
    }
}
