<?php

namespace App\Calendars;

use App\Http\Rules\ZoneName;
use App\Overlays\Sheet;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Notices\Pace;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;
use PinnedRota\Core\Recurrence\WeekdayRule;
use PinnedRota\Core\Time\Zone;

#[OA\Schema(schema: 'CalendarInput', required: ['name', 'colour', 'mark'], allOf: [
    new OA\Schema(ref: '#/components/schemas/CalendarChange'),
    new OA\Schema(type: 'object', properties: [
        new OA\Property(property: 'keeper', required: ['kind', 'id'], properties: [new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group']), new OA\Property(property: 'id', type: 'integer')], type: 'object'),
    ]),
])]
#[OA\Schema(schema: 'CalendarChange', required: [], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class),
    new OA\Property(property: 'mark', type: 'string', enum: Mark::class),
    new OA\Property(property: 'description', type: 'string'),
    new OA\Property(property: 'timezone', type: 'string'),
    new OA\Property(property: 'firstDay', type: 'string', nullable: true, enum: WeekdayRule::NAMES),
    new OA\Property(property: 'openingView', type: 'string', nullable: true, enum: Sheet::VIEWS),
    new OA\Property(property: 'freeCategories', type: 'boolean'),
    new OA\Property(property: 'offered', type: 'boolean'),
    new OA\Property(property: 'asksProvisional', description: 'Whether its provisional events ask those who are to take part, unless they say otherwise', type: 'boolean'),
    new OA\Property(property: 'remarks', description: 'Whether those who see its events may remark on them', type: 'boolean'),
    new OA\Property(property: 'suggestedPace', description: 'When others are told of changes who follow it and choose nothing else', type: 'string', nullable: true, enum: [Pace::Now, Pace::Daily, Pace::Weekly]),
])]
final class CalendarInput extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $presence = $this->isMethod('POST') ? 'required' : 'sometimes';

        return [
            'name' => [$presence, 'string', 'max:120'],
            'description' => ['sometimes', 'nullable', 'string', 'max:2000'],
            'colour' => [$presence, Rule::enum(Colour::class)],
            'mark' => [$presence, Rule::enum(Mark::class)],
            'timezone' => ['sometimes', 'string', new ZoneName],
            'firstDay' => ['sometimes', 'nullable', Rule::in(WeekdayRule::NAMES)],
            'openingView' => ['sometimes', 'nullable', Rule::in(Sheet::VIEWS)],
            'freeCategories' => ['sometimes', 'boolean'],
            'offered' => ['sometimes', 'boolean'],
            'asksProvisional' => ['sometimes', 'boolean'],
            'remarks' => ['sometimes', 'boolean'],
            'suggestedPace' => ['sometimes', 'nullable', Rule::enum(Pace::class)->except(Pace::Off)],
            'keeper' => ['sometimes', 'array'],
            'keeper.kind' => ['required_with:keeper', Rule::in(['person', 'group'])],
            'keeper.id' => ['required_with:keeper', 'integer'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.required' => 'Give the calendar a name.',
            'name.max' => 'A name has at most 120 characters.',
            'description.max' => 'A description has at most 2,000 characters.',
        ];
    }

    /** @return array<string, mixed> what of it is a calendar's */
    public function settings(): array
    {
        $settings = $this->safe()->only(['name', 'description', 'colour', 'mark', 'timezone']);
        if (array_key_exists('description', $settings)) {
            $settings['description'] = (string) $settings['description'];
        }
        if (isset($settings['timezone'])) {
            $settings['timezone'] = Zone::of($settings['timezone'])->name;
        }

        foreach (['firstDay' => 'first_day', 'openingView' => 'opening_view', 'freeCategories' => 'free_categories', 'offered' => 'offered', 'asksProvisional' => 'asks_provisional', 'remarks' => 'remarks', 'suggestedPace' => 'suggested_pace'] as $name => $column) {
            if ($this->has($name)) {
                $settings[$column] = in_array($column, ['free_categories', 'offered', 'asks_provisional', 'remarks'], true) ? $this->boolean($name) : $this->validated($name);
            }
        }

        return $settings;
    }
}
