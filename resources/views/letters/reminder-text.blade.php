{!! $title !!}
When: {!! $when !!}
@if ($place !== '')
Where: {!! $place !!}
@endif
@if ($leave !== null)
Leave at: {!! $leave !!}
@endif
@if ($isLate)

This reminder is late: it could not be sent when it was due.
@endif

You wanted to be reminded of it. To see it, or not to be reminded again: {!! $url !!}
