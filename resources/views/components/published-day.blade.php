@props(['page', 'date', 'events' => null])
{{-- The head of a day: it leads to the list from that day on. How much is on is said to whoever does not see it. --}}
@php($day = \Carbon\CarbonImmutable::parse($date))
<a class="published-number" href="{{ $page->link($page->asked->query(['view' => 'list', 'date' => $date])) }}" @if ($slot->isNotEmpty()) aria-label="{{ $day->translatedFormat('l j F') }}@if ($events !== null && $events !== []), {{ count($events) }} {{ count($events) === 1 ? 'event' : 'events' }}@endif" @endif>@if ($slot->isEmpty()){{ $day->translatedFormat('D j') }}<span class="sr-only"> {{ $day->translatedFormat('F') }}</span>@else{{ $slot }}@endif</a>
