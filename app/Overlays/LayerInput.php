<?php

namespace App\Overlays;

use App\Http\InputList;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\Validator;
use Illuminate\Validation\Rule;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Overlay\CategoryMatch;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;
use PinnedRota\Core\Overlay\Part;
use PinnedRota\Core\Overlay\Pattern;

/**
 * One layer as it was sent: what of it is fit, and what is wrong. Each layer and each condition is read on its own: rules
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

    private const CONDITION_MESSAGES = [
        'names.required' => 'Choose at least one category, or take this condition out.',
        'words.required' => 'Write at least one word, or take this condition out.',
        'who.required' => 'Choose at least one person or group, or take this condition out.',
        'statuses.required' => 'Choose at least one state, or take this condition out.',
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
        $conditions = $errors = [];
        foreach (InputList::inOrder($values['conditions'] ?? []) as $position => $condition) {
            $condition = self::wordByWord($condition);
            $validator = Validator::make($condition, self::conditionRules($condition['about'] ?? null), self::CONDITION_MESSAGES);
            foreach ($validator->errors()->toArray() as $field => $messages) {
                $errors["conditions.{$position}.{$field}"] = $messages;
            }
            $conditions[] = $errors === [] ? $validator->validated() : [];
        }

        return new self(['conditions' => $conditions] + $values, $errors);
    }

    /**
     * Words stand one a line or between commas; an empty one asks for nothing.
     *
     * @param  array<array-key, mixed>  $condition
     * @return array<array-key, mixed>
     */
    private static function wordByWord(array $condition): array
    {
        $words = $condition['words'] ?? null;
        // What is no list of texts is refused as it is; an empty text comes as nothing.
        if (! is_array($words) || array_filter($words, static fn (mixed $word): bool => $word !== null && ! is_string($word)) !== []) {
            return $condition;
        }
        $each = array_map(trim(...), preg_split('/[,\n]/', implode("\n", $words)) ?: []);

        return ['words' => array_values(array_filter($each, static fn (string $word): bool => $word !== ''))] + $condition;
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

    /**
     * What is asked of a condition of this kind; what belongs to other kinds is left out of what is kept.
     *
     * @return array<string, mixed>
     */
    private static function conditionRules(mixed $about): array
    {
        $several = ['required', 'array', 'min:1', 'max:50'];

        return [
            'about' => ['required', Rule::in(['category', 'words', 'people', 'status', 'all day', 'busy'])],
            'not' => ['sometimes', 'boolean'],
        ] + match ($about) {
            'category' => ['names' => $several, 'names.*' => ['string', 'max:80'], 'match' => ['sometimes', Rule::enum(CategoryMatch::class)]],
            'words' => ['words' => $several, 'words.*' => ['string', 'max:80']],
            'people' => [
                'who' => $several,
                'who.*.kind' => ['required', Rule::in(['me', 'person', 'group'])],
                'who.*.id' => ['required_unless:who.*.kind,me', 'nullable', 'integer'],
                'part' => ['sometimes', Rule::enum(Part::class)],
            ],
            'status' => ['statuses' => $several, 'statuses.*' => [Rule::enum(Status::class)]],
            default => ['is' => ['sometimes', 'boolean']],
        };
    }
}
