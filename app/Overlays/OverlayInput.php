<?php

namespace App\Overlays;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Overlay\CategoryMatch;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;
use PinnedRota\Core\Overlay\Part;
use PinnedRota\Core\Overlay\Pattern;

#[OA\Schema(schema: 'OverlayInput', required: ['name', 'layers'], properties: [
    new OA\Property(property: 'everyLayer', type: 'boolean'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'layers', type: 'array', items: new OA\Items(ref: '#/components/schemas/OverlayLayer')),
    new OA\Property(property: 'keeper', description: 'When it is made: oneself, or a group that one is in', nullable: true, required: ['kind', 'id'], properties: [new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group']), new OA\Property(property: 'id', type: 'integer')], type: 'object'),
    new OA\Property(property: 'openingView', type: 'string', enum: Sheet::VIEWS),
])]
final class OverlayInput extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:120'],
            'openingView' => ['sometimes', Rule::in(Sheet::VIEWS)],
            'keeper' => ['sometimes', 'nullable', 'array'],
            'keeper.kind' => ['required_with:keeper', Rule::in(['person', 'group'])],
            'keeper.id' => ['required_with:keeper', 'integer'],
            'layers' => ['required', 'array', 'min:1', 'max:200'],
            'layers.*.id' => ['sometimes', 'nullable', 'integer'],
            'layers.*.name' => ['required', 'string', 'max:120'],
            'layers.*.colour' => ['required', Rule::enum(Colour::class)],
            'layers.*.mark' => ['required', Rule::enum(Mark::class)],
            'layers.*.pattern' => ['sometimes', Rule::enum(Pattern::class)],
            'everyLayer' => ['sometimes', 'boolean'],
            'layers.*.takes' => ['sometimes', Rule::in(['chosen', 'all', 'group', 'rest'])],
            'layers.*.group' => ['required_if:layers.*.takes,group', 'nullable', 'integer', Rule::exists('groups', 'id')],
            'layers.*.calendars' => ['required_without:layers.*.takes', 'required_if:layers.*.takes,chosen', 'array'],
            'layers.*.calendars.*' => ['string', 'max:80'],
            'layers.*.conditions' => ['sometimes', 'array', 'max:20'],
            'layers.*.conditions.*.about' => ['required', Rule::in(['category', 'words', 'people', 'status', 'all day', 'busy'])],
            'layers.*.conditions.*.not' => ['sometimes', 'boolean'],
            'layers.*.conditions.*.match' => ['sometimes', Rule::enum(CategoryMatch::class)],
            'layers.*.conditions.*.names' => ['required_if:layers.*.conditions.*.about,category', 'array', 'min:1', 'max:50'],
            'layers.*.conditions.*.names.*' => ['string', 'max:80'],
            'layers.*.conditions.*.words' => ['required_if:layers.*.conditions.*.about,words', 'array', 'min:1', 'max:50'],
            'layers.*.conditions.*.words.*' => ['string', 'max:80'],
            'layers.*.conditions.*.part' => ['sometimes', Rule::enum(Part::class)],
            'layers.*.conditions.*.who' => ['required_if:layers.*.conditions.*.about,people', 'array', 'min:1', 'max:50'],
            'layers.*.conditions.*.who.*.kind' => ['required', Rule::in(['me', 'person', 'group'])],
            'layers.*.conditions.*.who.*.id' => ['required_unless:layers.*.conditions.*.who.*.kind,me', 'nullable', 'integer'],
            'layers.*.conditions.*.statuses' => ['required_if:layers.*.conditions.*.about,status', 'array', 'min:1'],
            'layers.*.conditions.*.statuses.*' => [Rule::enum(Status::class)],
            'layers.*.conditions.*.is' => ['sometimes', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.required' => 'Give the overlay a name.',
            'name.max' => 'A name has at most 120 characters.',
            'layers.required' => 'An overlay has one layer at least.',
            'layers.*.name.required' => 'Give the layer a name.',
            'layers.*.calendars.required_without' => 'Choose at least one calendar for this layer.',
            'layers.*.calendars.required_if' => 'Choose at least one calendar for this layer.',
            'layers.*.group.required_if' => 'Choose the group whose calendars this layer has.',
            'layers.*.conditions.*.names.required_if' => 'Choose at least one category, or take this condition out.',
            'layers.*.conditions.*.words.required_if' => 'Write at least one word, or take this condition out.',
            'layers.*.conditions.*.who.required_if' => 'Choose at least one person or group, or take this condition out.',
            'layers.*.conditions.*.statuses.required_if' => 'Choose at least one state, or take this condition out.',
        ];
    }
}
