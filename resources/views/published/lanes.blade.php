<div class="published-scroll" role="region" aria-label="Lanes" tabindex="0">
    <table class="published-lanes">
        <caption class="sr-only">{{ $page->heading() }}</caption>
        <thead>
            <tr>
                <th scope="col">Layer</th>
                @foreach (array_keys($page->days) as $date)
                    <th scope="col" @if ($date === $page->today) data-today @endif @isset($page->closed[$date]) data-closed title="Closed: {{ $page->closed[$date] }}" @endisset><x-published-day :$page :$date /></th>
                @endforeach
            </tr>
        </thead>
        <tbody>
            @foreach ($page->lanes() as $lane)
                <tr>
                    <th scope="row"><i aria-hidden="true" class="mark" data-mark="{{ $lane['mark'] }}" data-ink="{{ $lane['colour'] }}"></i> {{ $lane['name'] }}</th>
                    @foreach ($lane['days'] as $date => $events)
                        <td @isset($page->closed[$date]) data-closed @endisset>
                            @include('published.events')
                        </td>
                    @endforeach
                </tr>
            @endforeach
        </tbody>
    </table>
</div>
