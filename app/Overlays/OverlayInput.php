<?php

namespace App\Overlays;

use App\Http\InputList;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Overlay\ColouredBy;

#[OA\Schema(schema: 'OverlayInput', required: ['name', 'layers'], properties: [
    new OA\Property(property: 'everyLayer', type: 'boolean'),
    new OA\Property(property: 'colouredBy', description: 'What the colours of events stand for', type: 'string', enum: ColouredBy::class),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'layers', type: 'array', items: new OA\Items(ref: '#/components/schemas/OverlayLayer')),
    new OA\Property(property: 'keeper', description: 'When it is made: oneself, or a group that one is in', nullable: true, required: ['kind', 'id'], properties: [new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group']), new OA\Property(property: 'id', type: 'integer')], type: 'object'),
    new OA\Property(property: 'openingView', type: 'string', enum: Overlay::VIEWS),
    new OA\Property(property: 'openingTable', nullable: true, allOf: [new OA\Schema(ref: '#/components/schemas/OpeningTable')]),
])]
final class OverlayInput extends FormRequest
{
    public const MOST_LAYERS = 200;

    /** @var list<array<string, mixed>> */
    private array $layers = [];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:120'],
            'openingView' => ['sometimes', Rule::in(Overlay::VIEWS)],
            'keeper' => ['sometimes', 'nullable', 'array'],
            'keeper.kind' => ['required_with:keeper', Rule::in(['person', 'group'])],
            'keeper.id' => ['required_with:keeper', 'integer'],
            'everyLayer' => ['sometimes', 'boolean'],
            'colouredBy' => ['sometimes', Rule::enum(ColouredBy::class)],
            'layers' => ['required', 'array', 'min:1', 'max:'.self::MOST_LAYERS],
            ...OpeningTableData::rules('openingTable'),
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.required' => 'Give the overlay a name.',
            'name.max' => 'A name has at most 120 characters.',
            'layers.required' => 'An overlay has one layer at least.',
        ];
    }

    /** The layers are read one by one, and not at all if there is more in them than an overlay takes. */
    public function after(): array
    {
        return [function (Validator $validator): void {
            $told = $validator->errors()->has('layers') ? [] : InputList::inOrder($this->input('layers'));
            if (LayerInput::entries($told) > LayerInput::MOST_ENTRIES) {
                $validator->errors()->add('layers', 'An overlay has at most '.number_format(LayerInput::MOST_ENTRIES).' calendars, conditions, and words, names or people in them altogether.');

                return;
            }
            foreach ($told as $position => $each) {
                $layer = LayerInput::of($each);
                $this->layers[] = $layer->values;
                foreach ($layer->errors as $field => $messages) {
                    foreach ($messages as $message) {
                        $validator->errors()->add(rtrim("layers.{$position}.{$field}", '.'), $message);
                    }
                }
            }
        }];
    }

    /** @return list<array<string, mixed>> the layers as they were found fit */
    public function layers(): array
    {
        return $this->layers;
    }
}
