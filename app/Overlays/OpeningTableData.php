<?php

namespace App\Overlays;

use App\Table\TableRequest;
use Illuminate\Validation\Rule;

/** How an overlay that opens as a table shows it. */
final readonly class OpeningTableData
{
    public const PERIODS = ['month', 'half', 'year', 'all'];

    /**
     * @param  list<'when'|'title'|'calendar'|'place'|'categories'|'status'|'responsible'|'addedBy'|'changedAt'>  $columns
     * @param  'when'|'title'|'calendar'|'place'|'categories'|'status'|'responsible'|'addedBy'|'changedAt'  $sort
     * @param  'month'|'half'|'year'|'all'  $period  How far it looks from its date on
     */
    public function __construct(public array $columns, public string $sort, public bool $descending, public string $period)
    {
    }

    /** @return array<string, mixed> rules of the field of that name */
    public static function rules(string $field): array
    {
        return [
            $field => ['sometimes', 'nullable', 'array'],
            "{$field}.columns" => ["required_with:{$field}", 'array', 'min:1', 'max:'.count(TableRequest::COLUMNS)],
            "{$field}.columns.*" => ['distinct', Rule::in(TableRequest::COLUMNS)],
            "{$field}.sort" => ["required_with:{$field}", Rule::in(TableRequest::COLUMNS)],
            "{$field}.descending" => ["required_with:{$field}", 'boolean'],
            "{$field}.period" => ["required_with:{$field}", Rule::in(self::PERIODS)],
        ];
    }
}
