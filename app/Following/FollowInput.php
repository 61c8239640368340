<?php

namespace App\Following;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Notices\FollowedChange;
use PinnedRota\Core\Notices\Pace;

#[OA\Schema(schema: 'FollowInput', required: ['kind', 'changes', 'pace', 'byMail', 'inInbox'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: FollowedKind::class),
    new OA\Property(property: 'calendar', description: 'The slug of the calendar, or of that on which a category is', type: 'string'),
    new OA\Property(property: 'category', type: 'integer'),
    new OA\Property(property: 'overlay', type: 'string'),
    new OA\Property(property: 'person', type: 'integer'),
    new OA\Property(property: 'event', type: 'integer'),
    new OA\Property(property: 'changes', description: 'Of which one is told', type: 'array', items: new OA\Items(type: 'string', enum: FollowedChange::class)),
    new OA\Property(property: 'pace', type: 'string', enum: Pace::class),
    new OA\Property(property: 'byMail', type: 'boolean'),
    new OA\Property(property: 'inInbox', type: 'boolean'),
])]
final class FollowInput extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'kind' => ['required', Rule::enum(FollowedKind::class)],
            'calendar' => ['required_if:kind,calendar,category', 'string', 'max:80'],
            'category' => ['required_if:kind,category', 'integer'],
            'overlay' => ['required_if:kind,overlay', 'string', 'max:80'],
            'person' => ['required_if:kind,person', 'integer'],
            'event' => ['required_if:kind,event', 'integer'],
            'changes' => ['present', 'array', 'max:10'],
            'changes.*' => ['distinct', Rule::enum(FollowedChange::class)],
            'pace' => ['required', Rule::enum(Pace::class)],
            'byMail' => ['required', 'boolean'],
            'inInbox' => ['required', 'boolean'],
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [function (Validator $validator): void {
            if ($validator->errors()->isNotEmpty() || $this->input('pace') === Pace::Off->value) {
                return;
            }
            if ($this->input('changes') === []) {
                $validator->errors()->add('changes', 'Choose of what you are told.');
            }
            if (! $this->boolean('byMail') && ! $this->boolean('inInbox')) {
                $validator->errors()->add('inInbox', 'Choose where you are told of it.');
            }
        }];
    }

    /** @return array<string, mixed> */
    public function columns(): array
    {
        return ['wanted' => array_values($this->validated('changes')), 'pace' => $this->validated('pace'), 'by_mail' => $this->boolean('byMail'), 'in_inbox' => $this->boolean('inInbox')];
    }
}
