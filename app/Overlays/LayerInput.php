<?php

namespace App\Overlays;

use Illuminate\Support\Arr;
use Illuminate\Support\Facades\Validator;
use Illuminate\Validation\Rule;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;
use PinnedRota\Core\Overlay\Pattern;

/**
 * One layer as it was sent: what of it is fit, and what is wrong. Each layer is read on its own: rules
 * with wildcards look through the whole input for each entry, which grows with the cube of what is sent.
 */
final readonly class LayerInput
{
    /** In all layers of an overlay. */
    public const MOST_ENTRIES = 2000;

    private const LAYER_MESSAGES = [
        'name.required' => 'Give the layer a name.',
        'calendars.required_without' => 'Choose at least one calendar for this layer.',
        'calendars.required_if' => 'Choose at least one calendar for this layer.',
        'group.required_if' => 'Choose the group whose calendars this layer has.',
    ];

    /**
     * @param  array<string, mixed>  $values
     * @param  array<string, list<string>>  $errors  by field of the layer; of the layer itself under “”
     */
    private function __construct(public array $values, public array $errors)
    {
    }

    public static function of(mixed $told): self
    {
        if (! is_array($told)) {
            return new self([], ['' => ['A layer has a name, a colour and a mark.']]);
        }
        $validator = Validator::make($told, self::layerRules(), self::LAYER_MESSAGES);
        if ($validator->fails()) {
            return new self([], $validator->errors()->toArray());
        }
        $values = $validator->validated();
        $conditions = ConditionsInput::of($values['conditions'] ?? []);

        return new self(['conditions' => $conditions->values] + $values, $conditions->errors);
    }

    /**
     * How many calendars, conditions, and words, names, people and states in them there are in layers as they were sent.
     *
     * @param  array<mixed>  $layers
     */
    public static function entries(array $layers): int
    {
        $entries = 0;
        foreach ($layers as $layer) {
            $entries += count(Arr::wrap($layer['calendars'] ?? []));
            foreach (Arr::wrap($layer['conditions'] ?? []) as $condition) {
                $entries += 1 + array_sum(array_map(count(...), array_filter(Arr::wrap($condition), is_array(...))));
            }
        }

        return $entries;
    }

    /** @return array<string, mixed> */
    private static function layerRules(): array
    {
        return [
            'id' => ['sometimes', 'nullable', 'integer'],
            'name' => ['required', 'string', 'max:120'],
            'colour' => ['required', Rule::enum(Colour::class)],
            'mark' => ['required', Rule::enum(Mark::class)],
            'pattern' => ['sometimes', Rule::enum(Pattern::class)],
            'takes' => ['sometimes', Rule::in(['chosen', 'all', 'group', 'overlay', 'rest'])],
            'group' => ['required_if:takes,group', 'nullable', 'integer', Rule::exists('groups', 'id')],
            'calendars' => ['required_without:takes', 'required_if:takes,chosen', 'array'],
            'calendars.*' => ['string', 'max:80'],
            'conditions' => ['sometimes', 'array', 'max:20'],
            'conditions.*' => ['array'],
        ];
    }
}
