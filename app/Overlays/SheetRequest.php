<?php

namespace App\Overlays;

use App\Access\CurrentViewer;
use App\Http\Rules\WallTime;
use App\Http\Rules\ZoneName;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Overlay\CategoryCondition;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Overlay\Grouping;
use PinnedRota\Core\Overlay\Part;
use PinnedRota\Core\Overlay\PeopleCondition;
use PinnedRota\Core\Overlay\WordsCondition;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** A window on an overlay: days from `from` to before `to`, in a zone, with a quick filter by category, words and people. */
class SheetRequest extends FormRequest
{
    protected const MOST_DAYS = 400;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'from' => ['required', 'string', new WallTime],
            'to' => ['required', 'string', new WallTime],
            'tz' => ['required', 'string', new ZoneName],
            'overlay' => ['sometimes', 'string', 'max:80'],
            'calendar' => ['sometimes', 'string', 'max:80'],
            'of' => ['sometimes', 'string', 'regex:'.SheetParty::PATTERN, 'prohibits:as'],
            'as' => ['sometimes', 'integer'],
            'categories' => ['sometimes', 'array', 'max:50'],
            'categories.*' => ['string', 'max:80'],
            'words' => ['sometimes', 'nullable', 'string', 'max:200'],
            'people' => ['sometimes', 'array', 'max:50'],
            'people.*' => ['integer'],
            'group' => ['sometimes', Rule::enum(Grouping::class)],
        ];
    }

    public function after(): array
    {
        return [function ($validator): void {
            if ($validator->errors()->isEmpty()) {
                $days = $this->to()->day() - $this->from()->day();
                if ($days < 1 || $days > static::MOST_DAYS) {
                    $validator->errors()->add('to', 'A window has from 1 to '.static::MOST_DAYS.' days.');
                }
            }
        }];
    }

    /** The window on an overlay or a calendar that is open to whoever asks. */
    public function sheetQuery(CurrentViewer $viewer): SheetQuery
    {
        if ($this->filled('of')) {
            // By calendar it would be told on which somebody is busy.
            return new SheetQuery($this->from(), $this->to(), $this->zone(), filter: $this->filter(), grouping: $this->grouping() === Grouping::Calendar ? Grouping::Layer : $this->grouping(), party: SheetParty::find($this->query('of')));
        }
        $calendar = $this->filled('calendar') ? $viewer->calendar($this->query('calendar'), $this->as() === null ? Level::BusyTimes : Level::Manage)->calendar : null;
        $overlay = $calendar === null && $this->filled('overlay') ? $viewer->overlay($this->query('overlay'), Level::See) : null;

        return new SheetQuery($this->from(), $this->to(), $this->zone(), $overlay, $calendar, $this->filter(), $this->grouping());
    }

    public function from(): LocalDateTime
    {
        return $this->midnight('from');
    }

    /** Exclusive. */
    public function to(): LocalDateTime
    {
        return $this->midnight('to');
    }

    public function zone(): Zone
    {
        return Zone::of($this->query('tz'));
    }

    /** The person as whom the viewer looks. */
    public function as(): ?int
    {
        return $this->filled('as') ? (int) $this->query('as') : null;
    }

    /** @return list<string> */
    public function categories(): array
    {
        return array_values($this->query('categories', []));
    }

    /** The quick filter on top of whatever is looked through. */
    public function filter(): Filter
    {
        $conditions = $this->categories() === [] ? [] : [new CategoryCondition($this->categories())];
        if ($this->filled('words')) {
            $conditions[] = new WordsCondition([$this->query('words')]);
        }
        if ($this->people() !== []) {
            $conditions[] = new PeopleCondition($this->people(), Part::TakingPart);
        }

        return new Filter($conditions);
    }

    /** @return list<int> ids */
    public function people(): array
    {
        return array_map(intval(...), array_values($this->query('people', [])));
    }

    public function grouping(): Grouping
    {
        return Grouping::from($this->query('group', Grouping::Layer->value));
    }

    private function midnight(string $name): LocalDateTime
    {
        return LocalDateTime::midnight(LocalDateTime::parse($this->query($name))->day());
    }
}
