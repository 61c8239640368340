@props(['fields', 'label'])
<table class="w-full border-t border-line" aria-label="{{ $label }}">
    @foreach ($fields as $field)
        <tr class="border-b border-hair align-top">
            <th scope="row" class="w-44 py-1 pr-3 text-left font-mono text-xs font-normal [overflow-wrap:anywhere]">
                {{ $field['name'] }}
                @unless ($field['required'])
                    <span class="font-sans text-soft">optional</span>
                @endunless
            </th>
            <td class="py-1"><x-api-type :type="$field['type']" />
                @if ($field['about'] !== '')
                    <span class="block text-soft">{{ $field['about'] }}</span>
                @endif
            </td>
        </tr>
    @endforeach
</table>
