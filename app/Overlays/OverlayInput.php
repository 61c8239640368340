<?php

namespace App\Overlays;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;

final class OverlayInput extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:120'],
            'openingView' => ['sometimes', Rule::in(['lanes', 'month'])],
            'layers' => ['required', 'array', 'min:1', 'max:200'],
            'layers.*.name' => ['required', 'string', 'max:120'],
            'layers.*.colour' => ['required', Rule::enum(Colour::class)],
            'layers.*.mark' => ['required', Rule::enum(Mark::class)],
            'layers.*.calendars' => ['required', 'array', 'min:1'],
            'layers.*.calendars.*' => ['string', 'max:80'],
            'layers.*.anyCategory' => ['sometimes', 'array', 'max:50'],
            'layers.*.anyCategory.*' => ['string', 'max:80'],
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
            'layers.*.calendars.required' => 'Choose at least one calendar for this layer.',
        ];
    }
}
