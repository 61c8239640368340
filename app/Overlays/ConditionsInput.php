<?php

namespace App\Overlays;

use App\Http\InputList;
use Illuminate\Support\Facades\Validator;
use Illuminate\Validation\Rule;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Overlay\CategoryMatch;
use PinnedRota\Core\Overlay\Part;

/** What is asked of events, as it was sent: what of it is fit, and what is wrong. Each condition is read on its own, as layers are. */
final readonly class ConditionsInput
{
    private const MESSAGES = [
        'names.required' => 'Choose at least one category, or take this condition out.',
        'words.required' => 'Write at least one word, or take this condition out.',
        'who.required' => 'Choose at least one person or group, or take this condition out.',
        'statuses.required' => 'Choose at least one state, or take this condition out.',
    ];

    /**
     * @param  list<array<string, mixed>>  $values  as they are kept
     * @param  array<string, list<string>>  $errors  by field, such as “conditions.0.names”
     */
    private function __construct(public array $values, public array $errors)
    {
    }

    /** @param  array<mixed>  $told */
    public static function of(array $told): self
    {
        $conditions = $errors = [];
        foreach (InputList::inOrder($told) as $position => $condition) {
            $condition = self::wordByWord($condition);
            $validator = Validator::make($condition, self::rules($condition['about'] ?? null), self::MESSAGES);
            foreach ($validator->errors()->toArray() as $field => $messages) {
                $errors["conditions.{$position}.{$field}"] = $messages;
            }
            $conditions[] = $errors === [] ? $validator->validated() : [];
        }

        return new self($conditions, $errors);
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
     * What is asked of a condition of this kind; what belongs to other kinds is left out of what is kept.
     *
     * @return array<string, mixed>
     */
    private static function rules(mixed $about): array
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
