<table class="published-month">
    <caption class="sr-only">{{ $page->heading() }}</caption>
    <thead>
        <tr>
            @foreach (array_slice(array_keys($page->days), 0, 7) as $date)
                <th scope="col">{{ \Carbon\CarbonImmutable::parse($date)->translatedFormat('D') }}</th>
            @endforeach
        </tr>
    </thead>
    <tbody>
        @foreach (array_chunk($page->days, 7, true) as $week)
            <tr>
                @foreach ($week as $date => $events)
                    <td @if ($date === $page->today) data-today @endif @if (substr($date, 0, 7) !== substr($asked->date, 0, 7)) data-outside @endif @isset($page->closed[$date]) data-closed title="Closed: {{ $page->closed[$date] }}" @endisset>
                        <x-published-day :$page :$date :$events>{{ (int) substr($date, 8) }}</x-published-day>
                        @include('published.events')
                    </td>
                @endforeach
            </tr>
        @endforeach
    </tbody>
</table>
