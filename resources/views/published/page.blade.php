@php($asked = $page->asked)
<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    @unless ($page->isFindable)
        <meta name="robots" content="noindex">
    @endunless
    <meta name="referrer" content="no-referrer">
    <meta name="color-scheme" content="light dark">
    <title>{{ $page->name }} · {{ $page->heading() }}</title>
    @if ($page->isFindable)
        <link rel="canonical" href="{{ $page->url }}">
        <meta name="description" content="What is on: {{ $page->name }}">
        <script type="application/ld+json">{!! json_encode(['@context' => 'https://schema.org', '@graph' => $page->eventData()], JSON_HEX_TAG | JSON_HEX_AMP | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR) !!}</script>
    @endif
    <link rel="icon" href="/pin.svg" type="image/svg+xml">
    @vite(['resources/css/published.css'])
</head>
<body class="published">
    <a class="published-skip sr-only focus:not-sr-only" href="#days">To what is on</a>
    <header>
        <h1>{{ $page->name }}</h1>
        <nav aria-label="Days" class="published-turn">
            <a href="{{ $page->link($asked->query(['date' => $asked->turned(-1)])) }}" aria-label="Earlier" rel="prev">‹</a>
            <a href="{{ $page->link($asked->query(['date' => $page->today])) }}">Today</a>
            <a href="{{ $page->link($asked->query(['date' => $asked->turned(1)])) }}" aria-label="Later" rel="next">›</a>
            <form method="get" action="{{ $page->url }}">
                <input type="hidden" name="view" value="{{ $asked->view }}">
                @if ($asked->off !== [])<input type="hidden" name="off" value="{{ implode(',', $asked->off) }}">@endif
                @if ($asked->category !== '')<input type="hidden" name="category" value="{{ $asked->category }}">@endif
                <label><span class="sr-only">Go to a day</span><input type="date" name="date" value="{{ $asked->date }}" required></label>
                <button>Go</button>
            </form>
        </nav>
        <nav aria-label="View" class="published-views">
            @foreach (['list' => 'List', 'month' => 'Month'] as $view => $label)
                <a href="{{ $page->link($asked->query(['view' => $view])) }}" @if ($asked->view === $view) aria-current="page" @endif>{{ $label }}</a>
            @endforeach
            @if (count($page->layers) > 1 || $page->categories !== [])
                <a class="published-to-key" href="#key">Key</a>
            @endif
        </nav>
    </header>
    <div class="published-whole">
        <main id="days">
            <h2>{{ $page->heading() }}</h2>
            @if ($page->isEmpty)
                <p class="published-none">Nothing is shown here at the moment.</p>
            @else
                @include("published.{$asked->view}")
            @endif
        </main>
        @if (count($page->layers) > 1 || $page->categories !== [])
            <aside id="key" aria-label="Key">
                @if (count($page->layers) > 1)
                    <h2>Key</h2>
                    <ul>
                        @foreach ($page->layers as $layer)
                            <li @if ($layer['isOff']) data-off @endif><a href="{{ $page->link($layer['query']) }}" rel="nofollow"><span class="sr-only">{{ $layer['isOff'] ? 'Show' : 'Hide' }}</span><i aria-hidden="true" class="mark" data-mark="{{ $layer['mark'] }}" data-ink="{{ $layer['colour'] }}"></i> {{ $layer['name'] }}</a></li>
                        @endforeach
                    </ul>
                @endif
                @if ($page->categories !== [])
                    <h2>Categories</h2>
                    <ul class="published-categories">
                        @foreach ($page->categories as $category)
                            <li><a href="{{ $page->link($category['query']) }}" rel="nofollow" @if ($category['isOn']) aria-current="true" @endif>{{ $category['name'] }}</a></li>
                        @endforeach
                    </ul>
                @endif
            </aside>
        @endif
    </div>
    @if ($page->isFollowed || $page->isTable)
        <details class="published-take">
            <summary>Add to my device</summary>
            @if ($page->isFollowed)
                <p><a href="{{ preg_replace('/^https?/', 'webcal', $page->url) }}.ics">Follow it in the calendar of this device</a>. What changes here changes there, within hours.</p>
                <p>On a phone it asks whether to subscribe: say yes. On a computer, give your calendar program this address: <span class="published-address">{{ $page->url }}.ics</span></p>
            @endif
            @if ($page->isTable)
                <p><a href="{{ $page->url }}.csv">Take it as a table</a> for a spreadsheet, as it is today.</p>
            @endif
        </details>
    @endif
    <footer>Times are those of {{ str_replace('_', ' ', $page->zone) }}. Kept with Pinned Rota.</footer>
</body>
</html>
