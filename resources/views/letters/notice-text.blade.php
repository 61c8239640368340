@foreach ($calendars as $calendar => $lines)
@if ($calendar !== '')
{!! $calendar !!}:
@endif
@foreach ($lines as $line)
- {!! $line['words'] !!}
@endforeach

@endforeach
@if ($more > 0)
and {{ $more }} more

@endif
See them all: {!! $url !!}

No letters about changes any more: {!! $stop !!}
