@php($asked = $page->asked)
<!doctype html>
<html lang="en" @if ($page->frame && $page->frame->look !== 'auto') data-theme="{{ $page->frame->look }}" @endif>
<head>
    <x-published-head :title="$page->name.' · '.$page->heading()" :url="$page->url" :is-findable="$page->isFindable && ! $page->frame" :about="'What is on: '.$page->name" :data="$page->eventData()" />
    @vite($page->frame ? ['resources/css/published.css', 'resources/js/published/framed.ts'] : ['resources/css/published.css'])
</head>
<body class="published" @if ($page->frame) data-frame @endif @if ($page->frame?->accent) style="--pin: #{{ $page->frame->accent }}; --site: #{{ $page->frame->accent }}" @endif>
    <a class="published-skip sr-only focus:not-sr-only" href="#days">To what is on</a>
    <header>
        <h1>{{ $page->name }}</h1>
        <nav aria-label="Days" class="published-turn">
            <a href="{{ $page->link($asked->query(['date' => $asked->turned(-1)])) }}" aria-label="Earlier" rel="prev">‹</a>
            <a href="{{ $page->link($asked->query(['date' => $page->today])) }}">Today</a>
            <a href="{{ $page->link($asked->query(['date' => $asked->turned(1)])) }}" aria-label="Later" rel="next">›</a>
            <form method="get" action="{{ $page->link('') }}">
                @foreach ($page->frame?->parts() ?? [] as $name => $value)<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
                <input type="hidden" name="view" value="{{ $asked->view }}">
                @if ($asked->off !== [])<input type="hidden" name="off" value="{{ implode(',', $asked->off) }}">@endif
                @if ($asked->category !== '')<input type="hidden" name="category" value="{{ $asked->category }}">@endif
                <label><span class="sr-only">Go to a day</span><input type="date" name="date" value="{{ $asked->date }}" required></label>
                <button>Go</button>
            </form>
        </nav>
        <nav aria-label="View" class="published-views">
            @foreach (['lanes' => 'Lanes', 'week' => 'Week', 'month' => 'Month', 'list' => 'List'] as $view => $label)
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
    @if (! $page->frame && ($page->isFollowed || $page->isTable))
        <details class="published-take">
            <summary>Add to my device</summary>
            @if ($page->isFollowed)
                <p><a href="{{ preg_replace('/^https?/', 'webcal', $page->url) }}.ics">Follow it in the calendar of this device</a>. What changes here changes there, within hours.</p>
                <p>On a phone it asks whether to subscribe: say yes. On a computer, give your calendar program this address: <span class="published-address">{{ $page->url }}.ics</span></p>
            @endif
            @if ($page->isTable)
                <p>Take it as a table, as it is today: <a href="{{ $page->url }}.xlsx">for a spreadsheet</a>, or <a href="{{ $page->url }}.csv">as text</a>.</p>
            @endif
        </details>
    @endif
    <footer>Times are those of {{ str_replace('_', ' ', $page->zone) }}. @if ($page->frame)<a href="{{ $page->url }}" target="{{ $page->frame->target() }}" rel="noopener">The whole page</a>, to follow it on a device.@else Kept with Pinned Rota.@endif</footer>
</body>
</html>
