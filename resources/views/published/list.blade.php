@php($isAny = collect($page->days)->flatten(1)->isNotEmpty())
@unless ($isAny)
    <p class="published-none">Nothing is on in these days.</p>
@endunless
@php($before = null)
@foreach ($page->days as $date => $events)
    @continue($events === [] && ! isset($page->closed[$date]))
    @php($week = $page->weekBegun($date, $before))
    @php($before = $date)
    @if ($week !== '')<p class="published-week">{{ $week }}</p>@endif
    <section class="published-day" @if ($date === $page->today) data-today @endif>
        <h3>{{ \Carbon\CarbonImmutable::parse($date)->translatedFormat('l j F') }}@if ($date === $page->today) <small>today</small>@endif</h3>
        @isset($page->closed[$date])
            <p class="published-closed">Closed: {{ $page->closed[$date] }}</p>
        @endisset
        <ul>
            @foreach ($events as $event)
                <li data-status="{{ $event->status }}">
                    @include('published.event')
                    @php($more = array_filter([$event->place, implode(', ', $event->responsible), implode(', ', $event->categories), count($page->layers) > 1 ? $event->layer : '']))
                    @if ($more !== [])<span class="published-more">{{ implode(' · ', $more) }}</span>@endif
                </li>
            @endforeach
        </ul>
    </section>
@endforeach
