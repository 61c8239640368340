<?php

namespace App\Publishing;

use App\Access\CurrentViewer;
use App\Calendars\Calendar;
use App\Overlays\ConditionsInput;
use App\Overlays\Overlay;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Publishing\Audience;
use PinnedRota\Core\Publishing\Detail;
use PinnedRota\Core\Publishing\Period;
use PinnedRota\Core\Publishing\TableColumn;

/** What a publication gives to whom, as it was sent. */
#[OA\Schema(schema: 'PublicationInput', required: ['name', 'detail', 'audience', 'period'], properties: [
    new OA\Property(property: 'calendar', type: 'string', nullable: true, description: 'What is published, where it is a calendar; only when it is made'),
    new OA\Property(property: 'overlay', type: 'string', nullable: true, description: 'What is published, where it is an overlay; only when it is made'),
    new OA\Property(property: 'name', type: 'string', maxLength: 120),
    new OA\Property(property: 'detail', type: 'string', enum: Detail::class),
    new OA\Property(property: 'audience', type: 'string', enum: Audience::class),
    new OA\Property(property: 'slug', type: 'string', nullable: true, maxLength: 80, description: 'Its readable address, where it is for everybody'),
    new OA\Property(property: 'period', type: 'string', enum: ['all', 'year', 'weeks']),
    new OA\Property(property: 'conditions', type: 'array', items: new OA\Items(ref: '#/components/schemas/Condition'), description: 'What it asks of events besides what its layers ask; all must hold'),
    new OA\Property(property: 'followed', type: 'boolean', description: 'Whether devices may follow it'),
    new OA\Property(property: 'asTable', type: 'boolean', description: 'Whether it can be taken as a table'),
    new OA\Property(property: 'tableColumns', type: 'array', nullable: true, items: new OA\Items(type: 'string', enum: TableColumn::class), description: 'Which columns the table has besides title and time; null: all that it tells'),
    new OA\Property(property: 'weeksBack', type: 'integer', minimum: 0, maximum: Period::MOST_WEEKS),
    new OA\Property(property: 'weeksOn', type: 'integer', minimum: 0, maximum: Period::MOST_WEEKS),
])]
final class PublicationInput
{
    private const MESSAGES = [
        'name.required' => 'Give the page a name: it stands at its top.',
        'slug.required_if' => 'Give the page an address that can be read, such as “autumn-launches”.',
        'slug.regex' => 'An address has small letters, figures and single hyphens.',
        'slug.unique' => 'Another page has this address already.',
    ];

    /**
     * @return array<string, mixed> columns of a publication
     *
     * @throws ValidationException
     */
    public static function columns(Request $request, ?Publication $of = null): array
    {
        $input = $request->validate(self::rules($of), self::MESSAGES);
        $conditions = isset($input['conditions']) ? ConditionsInput::of($input['conditions']) : null;
        if ($conditions !== null && $conditions->errors !== []) {
            throw ValidationException::withMessages($conditions->errors);
        }
        $chosen = static fn (string $name, ?bool $before, bool $else): bool => (bool) ($input[$name] ?? $before ?? $else);

        return [
            'name' => $input['name'], 'detail' => $input['detail'], 'audience' => $input['audience'], 'period' => $input['period'],
            'followed' => $chosen('followed', $of?->followed, true), 'as_table' => $chosen('asTable', $of?->as_table, false),
            'table_columns' => array_key_exists('tableColumns', $input) ? $input['tableColumns'] : $of?->table_columns,
            'weeks_back' => (int) ($input['weeksBack'] ?? 0), 'weeks_on' => (int) ($input['weeksOn'] ?? 0),
            'conditions' => $conditions === null ? $of?->conditions : ($conditions->values ?: null),
            'slug' => $input['audience'] === Audience::Everybody->value ? $input['slug'] : null,
        ];
    }

    /**
     * What is to be published, of what one manages.
     *
     * @return array{?Calendar, ?Overlay} one of them
     *
     * @throws ValidationException
     */
    public static function subject(Request $request, CurrentViewer $viewer): array
    {
        $of = $request->validate(['calendar' => ['nullable', 'required_without:overlay', 'prohibits:overlay', 'string', 'max:80'], 'overlay' => ['sometimes', 'string', 'max:80']]);

        return isset($of['calendar']) ? [$viewer->calendar($of['calendar'], Level::Manage)->calendar, null] : [null, $viewer->overlay((string) ($of['overlay'] ?? ''), Level::Manage)];
    }

    /** @return array<string, mixed> */
    private static function rules(?Publication $of): array
    {
        return [
            'name' => ['required', 'string', 'max:120'],
            'detail' => ['required', Rule::enum(Detail::class)],
            'audience' => ['required', Rule::enum(Audience::class)],
            'slug' => ['nullable', 'required_if:audience,'.Audience::Everybody->value, 'string', 'max:80', 'regex:/^[a-z0-9]+(-[a-z0-9]+)*$/', Rule::unique('publications', 'slug')->ignore($of?->id)],
            'period' => ['required', Rule::in(['all', 'year', 'weeks'])],
            'conditions' => ['sometimes', 'array', 'max:20'],
            'conditions.*' => ['array'],
            'followed' => ['boolean'],
            'asTable' => ['boolean'],
            'tableColumns' => ['sometimes', 'nullable', 'array', 'max:10'],
            'tableColumns.*' => ['distinct', Rule::enum(TableColumn::class)],
            'weeksBack' => ['integer', 'between:0,'.Period::MOST_WEEKS],
            'weeksOn' => ['integer', 'between:0,'.Period::MOST_WEEKS],
        ];
    }
}
