<?php

namespace App\Table;

use App\Overlays\SheetRequest;
use Illuminate\Validation\Rule;
use PinnedRota\Core\Events\Status;

/** A window on an overlay or a calendar whose events are told as rows, sorted and by pages. */
final class TableRequest extends SheetRequest
{
    protected const MOST_DAYS = 1_200;

    /** Their ids go into an address, which is not without end. */
    public const MOST_CHOSEN = 500;

    public const COLUMNS = ['when', 'title', 'calendar', 'place', 'categories', 'status', 'responsible', 'addedBy', 'changedAt'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return parent::rules() + [
            'sort' => ['sometimes', Rule::in(self::COLUMNS)],
            'descending' => ['sometimes', 'boolean'],
            'status' => ['sometimes', 'nullable', Rule::enum(Status::class)],
            'hidden' => ['sometimes', 'array', 'max:100'],
            'hidden.*' => ['integer', 'min:0'],
            'columns' => ['sometimes', 'array', 'max:20'],
            'columns.*' => ['distinct', Rule::in(self::COLUMNS)],
            'events' => ['sometimes', 'array', 'max:'.self::MOST_CHOSEN],
            'events.*' => ['integer'],
            'cursor' => ['sometimes', 'integer', 'min:0'],
        ];
    }

    /** @return list<string> the columns that are asked for, in order; all where none are */
    public function columns(): array
    {
        return array_values((array) $this->query('columns', self::COLUMNS));
    }

    /** @return list<int> events that were chosen; none where all are meant */
    public function chosen(): array
    {
        return array_values(array_map(intval(...), (array) $this->query('events', [])));
    }

    /** @return list<int> layers, by their place in the key, whose events are no rows */
    public function hidden(): array
    {
        return array_values(array_map(intval(...), (array) $this->query('hidden', [])));
    }
}
