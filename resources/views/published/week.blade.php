<div class="published-days" role="list" aria-label="{{ $page->heading() }}">
    @foreach ($page->days as $date => $events)
        <div role="listitem" @if ($date === $page->today) data-today @endif @isset($page->closed[$date]) data-closed @endisset>
            <x-published-day :$page :$date />
            @isset($page->closed[$date])<p class="published-shut">Closed: {{ $page->closed[$date] }}</p>@endisset
            <ul>
                @foreach ($events as $event)
                    <li data-status="{{ $event->status }}">
                        @include('published.event')
                        @if ($event->place !== '')<span class="published-more">{{ $event->place }}</span>@endif
                    </li>
                @endforeach
            </ul>
        </div>
    @endforeach
</div>
