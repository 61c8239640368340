@php($week = $page->days)
@php($now = $week[$page->today] ?? [])
<!doctype html>
<html lang="en">
<head>
    <x-published-head :title="$page->name" :url="$page->url" :is-findable="false" />
    <noscript><meta http-equiv="refresh" content="300"></noscript>
    @vite(['resources/css/published.css', 'resources/js/published/screen.ts'])
</head>
<body class="screen">
    <header>
        <h1>{{ $page->name }}</h1>
        <p class="screen-day">{{ \Carbon\CarbonImmutable::parse($page->today)->translatedFormat('l j F') }}</p>
        <p class="screen-clock" data-clock data-zone="{{ $page->zone }}" aria-hidden="true"></p>
    </header>
    <p class="screen-stale" role="status" data-stale hidden></p>
    <main data-content data-day="{{ $page->today }}">
        <section aria-labelledby="today" class="screen-today" tabindex="0" data-turns>
            <h2 id="today">Today</h2>
            @isset($page->closed[$page->today])
                <p class="published-closed">Closed: {{ $page->closed[$page->today] }}</p>
            @endisset
            @if ($now === [])
                <p class="published-none">Nothing is on today.</p>
            @endif
            @include('published.events', ['events' => $now, 'withPlace' => true])
        </section>
        <section aria-labelledby="week" class="screen-week" tabindex="0" data-turns>
            <h2 id="week">The week ahead</h2>
            @foreach ($week as $date => $events)
                @continue($date === $page->today)
                {{-- What goes on from an earlier day has been told on that. --}}
                @php($begun = array_filter($events, fn ($event) => ! $event->continues))
                <div class="screen-of-day">
                    <h3>{{ \Carbon\CarbonImmutable::parse($date)->translatedFormat('D j') }}</h3>
                    <div>
                        @isset($page->closed[$date])<p class="published-closed">Closed: {{ $page->closed[$date] }}</p>@endisset
                        @include('published.events', ['events' => $begun])
                        @if ($begun === [] && ! isset($page->closed[$date]))<p class="screen-none">–</p>@endif
                    </div>
                </div>
            @endforeach
        </section>
    </main>
</body>
</html>
