@php($names = ['on' => $isWeekly ? 'This week' : 'Today', 'waiting' => 'Waiting for your answer', 'due' => 'To prepare'])
{!! $title !!}

@foreach ($names as $part => $name)
@if (isset($parts[$part]))
{{ $name }}:
@foreach ($parts[$part][0] as $line)
- {!! $line !!}
@endforeach
@if ($parts[$part][1] > 0)
- and {{ $parts[$part][1] }} more
@endif

@endif
@if ($part === 'on' && $calendars !== [])
What changed:
@foreach ($calendars as $calendar => $lines)
@foreach ($lines as $line)
- {!! $line['words'] !!}
@endforeach
@endforeach

@endif
@endforeach
The rota: {!! $url !!}
What waits for you: {!! $waitingUrl !!}

No such letter any more: {!! $stop !!}
