{{-- What is on, in a cell or a column; where there is room, with its place. --}}
@if ($events !== [])
    <ul>
        @foreach ($events as $event)
            <li data-status="{{ $event->status }}">
                @include('published.event')
                @if (($withPlace ?? false) && $event->place !== '')<span class="published-more">{{ $event->place }}</span>@endif
            </li>
        @endforeach
    </ul>
@endif
