@props(['type'])
{{-- In one piece: a comma stands at its word. --}}
<span>{!! implode('', array_map(static fn (array $piece): string => $piece['schema'] === null ? e($piece['text']) : '<a class="underline" href="#'.e($piece['schema']).'">'.e($piece['text']).'</a>', $type)) !!}</span>
