{!! $waitsAt === null ? 'A place has become free, and it is yours:' : "All places are taken. You wait as number {$waitsAt}, and are told when a place is yours:" !!}

{!! $title !!}
When: {!! $when !!}@if ($zone !== null) ({!! $zone !!})@endif


If you do not come after all, say so here, and the next one gets it: {!! $invitation->answerUrl() !!}
