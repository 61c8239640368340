<?php

namespace App\Directory;

use App\Access\CurrentViewer;
use App\Http\Rules\Hours;
use App\Http\Rules\ZoneName;
use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Directory\Role;
use PinnedRota\Core\Directory\WorkingHours;
use PinnedRota\Core\Invitations\QuietHours;
use PinnedRota\Core\Time\Zone;

/** What is said of a person: by an administrator, or of themselves. */
#[OA\Schema(schema: 'PersonInput', required: ['name', 'email'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'email', type: 'string'),
    new OA\Property(property: 'post', type: 'string', nullable: true),
    new OA\Property(property: 'timezone', type: 'string'),
    new OA\Property(property: 'role', type: 'string', enum: Role::class),
    new OA\Property(property: 'workingHours', type: 'array', items: new OA\Items(ref: '#/components/schemas/WorkingSpan')),
    new OA\Property(property: 'groups', type: 'array', items: new OA\Items(type: 'integer')),
    new OA\Property(property: 'invite', type: 'boolean'),
])]
#[OA\Schema(schema: 'PersonChange', required: [], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'email', type: 'string'),
    new OA\Property(property: 'post', type: 'string', nullable: true),
    new OA\Property(property: 'timezone', type: 'string'),
    new OA\Property(property: 'role', type: 'string', enum: Role::class),
    new OA\Property(property: 'workingHours', type: 'array', items: new OA\Items(ref: '#/components/schemas/WorkingSpan')),
])]
#[OA\Schema(schema: 'SelfInput', required: [], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'timezone', type: 'string'),
    new OA\Property(property: 'workingHours', type: 'array', items: new OA\Items(ref: '#/components/schemas/WorkingSpan')),
    new OA\Property(property: 'invitationsByMail', description: 'Whether what one is asked to take part in comes by mail, too', type: 'boolean'),
    new OA\Property(property: 'quietHours', description: 'At which one is not written to about what can wait, such as “22-7”; empty where those of the site hold', type: 'string'),
])]
final class PersonInput extends FormRequest
{
    /** Asked before anything is looked at: an answer about a field would tell who is here. */
    public function authorize(CurrentViewer $viewer): bool
    {
        if (! $this->is('*/session/person')) {
            $viewer->demandAdministrator();
        }

        return true;
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $presence = $this->isMethod('POST') ? 'required' : 'sometimes';

        return [
            'name' => [$presence, 'string', 'max:120'],
            'email' => [$presence, 'string', 'email', 'max:190', Rule::unique('people', 'email')->ignore($this->route('id'))],
            'post' => ['sometimes', 'nullable', 'string', 'max:120'],
            'timezone' => ['sometimes', 'string', new ZoneName],
            'role' => ['sometimes', Rule::enum(Role::class)],
            'workingHours' => ['sometimes', 'array', 'max:28', new Hours],
            'workingHours.*.day' => ['required', 'string'],
            'workingHours.*.from' => ['required', 'string'],
            'workingHours.*.to' => ['required', 'string'],
            'groups' => ['sometimes', 'array', 'max:100'],
            'groups.*' => ['integer', Rule::exists('groups', 'id')],
            'invite' => ['sometimes', 'boolean'],
            'invitationsByMail' => ['sometimes', 'boolean'],
            'quietHours' => ['bail', 'sometimes', 'nullable', 'string', 'max:20', static function (string $name, mixed $value, Closure $fail): void {
                if ((string) $value !== '' && QuietHours::parse((string) $value) === null) {
                    $fail('Write the hours like “22-7” or “21:30-6:45”.');
                }
            }],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.required' => 'Give the person a name.',
            'name.max' => 'A name has at most 120 characters.',
            'email.required' => 'Give the person’s mail address.',
            'email.email' => 'This is no mail address.',
            'email.unique' => 'Somebody here has this address already.',
            'post.max' => 'A post has at most 120 characters.',
        ];
    }

    /**
     * @param  list<string>  $names  of what may be said
     * @return array<string, mixed> columns
     */
    public function columns(array $names): array
    {
        $columns = $this->safe()->only($names);
        if (isset($columns['email'])) {
            $columns['email'] = mb_strtolower($columns['email']);
        }
        if (array_key_exists('post', $columns)) {
            $columns['post'] = (string) $columns['post'];
        }
        if (isset($columns['timezone'])) {
            $columns['timezone'] = Zone::of($columns['timezone'])->name;
        }
        if (isset($columns['workingHours'])) {
            $columns['working_hours'] = WorkingHours::of(array_values($columns['workingHours']))->rows();
            unset($columns['workingHours']);
        }

        return $columns;
    }
}
