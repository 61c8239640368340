@php($day = \Carbon\CarbonImmutable::parse($date)->translatedFormat('l j F Y'))
@php($isFindable = $publication->audience === \PinnedRota\Core\Publishing\Audience::Everybody)
<!doctype html>
<html lang="en">
<head>
    <x-published-head :title="$event->title.' · '.$day" :url="$page.'/'.$event->path" :is-findable="$isFindable" :about="$event->title.', '.$day" :data="[$event->data($zone, $page)]" />
    @vite(['resources/css/published.css'])
</head>
<body class="published">
    <header>
        <p><a href="{{ $page }}?date={{ $date }}">‹ {{ $publication->name }}</a></p>
        <h1><i aria-hidden="true" class="mark" data-mark="{{ $event->mark }}" data-ink="{{ $event->colour }}"></i> {{ $event->title }}</h1>
    </header>
    <main class="published-details">
        <p><b>{{ $day }}</b>, {{ $event->when }}@if ($event->status !== '') <small>({{ $event->status }})</small>@endif</p>
        <dl>
            @foreach (array_filter(['Place' => $event->place, 'Responsible' => implode(', ', $event->responsible), 'Category' => implode(', ', $event->categories), 'Shown in' => $publication->overlay_id === null ? '' : $event->layer, 'About' => $notes]) as $name => $value)
                <dt>{{ $name }}</dt>
                <dd>{{ $value }}</dd>
            @endforeach
        </dl>
        <p class="published-take"><a href="{{ $page }}/{{ $event->path }}.ics">Put it in my diary</a>, as it is today. To have changes, follow <a href="{{ $page }}?date={{ $date }}">the whole page</a>.</p>
    </main>
    <footer>Times are those of {{ str_replace('_', ' ', $zone) }}. Kept with Pinned Rota.</footer>
</body>
</html>
