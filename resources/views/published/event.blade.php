{{-- An event in a line. Text from outside is text: all of it is escaped. --}}
<span class="published-when">{{ $event->when }}</span>
<i aria-hidden="true" class="mark" data-mark="{{ $event->mark }}" data-ink="{{ $event->colour }}"></i>
<span class="published-name">@if ($event->path === ''){{ $event->title }}@else<a href="{{ $page->url }}/{{ $event->path }}" @if ($page->frame) target="{{ $page->frame->target() }}" rel="noopener" @endif>{{ $event->title }}</a>@endif @if ($event->status !== '')<small>({{ $event->status }})</small>@endif</span>
