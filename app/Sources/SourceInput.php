<?php

namespace App\Sources;

use App\Overlays\ConditionsInput;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Documents\DateOrder;
use PinnedRota\Core\Sources\AddressRules;
use PinnedRota\Core\Sources\UnsafeAddress;

/** What somebody says of an address: where it is, how one signs in there, and what of it is taken. */
#[OA\Schema(schema: 'SignInInput', required: ['kind'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['none', 'basic', 'token']),
    new OA\Property(property: 'user', type: 'string', nullable: true),
    new OA\Property(property: 'secret', description: 'The password or the token; it is told to nobody again', type: 'string', nullable: true),
])]
#[OA\Schema(schema: 'SourceTermsInput', properties: [
    new OA\Property(property: 'follow', description: 'Of a page: whether those it leads to are read, too', type: 'boolean'),
    new OA\Property(property: 'order', description: 'Whether the day or the month comes first in its figures; null: as it tells', type: 'string', enum: ['day', 'month'], nullable: true),
    new OA\Property(property: 'conditions', description: 'What must hold of an event for it to be taken', type: 'array', items: new OA\Items(ref: '#/components/schemas/Condition')),
    new OA\Property(property: 'busy', description: 'Whether all of them take the time up; null: as each says', type: 'boolean', nullable: true),
    new OA\Property(property: 'categories', description: 'That all of them are given besides', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'renamed', description: 'What categories are called here; empty: left out', type: 'array', items: new OA\Items(required: ['from', 'to'], properties: [
        new OA\Property(property: 'from', type: 'string'), new OA\Property(property: 'to', type: 'string'),
    ])),
])]
final class SourceInput
{
    public function __construct(private readonly AddressRules $rules)
    {
    }

    /** @return array<string, list<mixed>> rules of what every address may have */
    public static function addressRules(): array
    {
        return [
            'signIn' => ['sometimes', 'array'],
            'signIn.kind' => ['required_with:signIn', Rule::in(['none', 'basic', 'token'])],
            'signIn.user' => ['sometimes', 'nullable', 'string', 'max:200'],
            'signIn.secret' => ['sometimes', 'nullable', 'string', 'max:500'],
            'terms' => ['sometimes', 'array'],
            'terms.follow' => ['sometimes', 'boolean'],
            'terms.order' => ['sometimes', 'nullable', Rule::in([DateOrder::DayFirst->value, DateOrder::MonthFirst->value])],
            'terms.conditions' => ['sometimes', 'array', 'max:20'],
            'terms.conditions.*' => ['array'],
            'terms.busy' => ['sometimes', 'nullable', 'boolean'],
            'terms.categories' => ['sometimes', 'array', 'max:20'],
            'terms.categories.*' => ['string', 'max:80'],
            'terms.renamed' => ['sometimes', 'array', 'max:100'],
            'terms.renamed.*.from' => ['required', 'string', 'max:80'],
            'terms.renamed.*.to' => ['present', 'nullable', 'string', 'max:80'],
        ];
    }

    /**
     * @return array{url: string, plain: ?string} as it is fetched, and the same without encryption where it does not say how
     *
     * @throws ValidationException
     */
    public function address(string $url): array
    {
        try {
            return array_intersect_key($this->rules->parse($url), ['url' => true, 'plain' => true]);
        } catch (UnsafeAddress $problem) {
            throw ValidationException::withMessages(['url' => $problem->getMessage()]);
        }
    }

    /**
     * @return ?array<string, mixed> as they are kept; null where nothing is asked
     *
     * @throws ValidationException
     */
    public static function terms(Request $request): ?array
    {
        $told = (array) $request->input('terms', []);
        $conditions = ConditionsInput::of($told['conditions'] ?? []);
        $errors = $conditions->errors;
        foreach ($conditions->values as $position => $each) {
            if (($each['about'] ?? null) === 'people') {
                $errors["conditions.{$position}.about"] = ['Nobody of yours takes part in what comes from outside. Ask something else.'];
            }
        }
        if ($errors !== []) {
            throw ValidationException::withMessages(array_combine(array_map(static fn (string $field): string => "terms.{$field}", array_keys($errors)), $errors));
        }
        $terms = [
            'follow' => (bool) ($told['follow'] ?? false), 'order' => $told['order'] ?? null, 'conditions' => $conditions->values, 'busy' => isset($told['busy']) ? (bool) $told['busy'] : null,
            'categories' => array_values(array_filter(array_map(trim(...), $told['categories'] ?? []))),
            'renamed' => array_map(static fn (array $each): array => ['from' => trim($each['from']), 'to' => trim((string) $each['to'])], array_values($told['renamed'] ?? [])),
        ];
        // That all are free is something asked; that no page is followed is not.
        $terms = array_filter($terms, static fn (mixed $value, string $name): bool => $value !== null && $value !== [] && ($name !== 'follow' || $value), ARRAY_FILTER_USE_BOTH);

        return $terms === [] ? null : $terms;
    }
}
