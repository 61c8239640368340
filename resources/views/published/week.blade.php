<div class="published-days" role="list" aria-label="{{ $page->heading() }}">
    @foreach ($page->days as $date => $events)
        <div role="listitem" @if ($date === $page->today) data-today @endif @isset($page->closed[$date]) data-closed @endisset>
            <x-published-day :$page :$date />
            @isset($page->closed[$date])<p class="published-shut">Closed: {{ $page->closed[$date] }}</p>@endisset
            @include('published.events', ['withPlace' => true])
        </div>
    @endforeach
</div>
