<?php

namespace App\Calendars;

use App\Http\Rules\ZoneName;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;
use PinnedRota\Core\Time\Zone;

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

        return $settings;
    }
}
