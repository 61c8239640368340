<x-letter-frame :title="$title">
<h1 style="margin:0 0 12px;font-size:22px;line-height:1.3">{{ $title }}</h1>
<p style="margin:0 0 6px;font-size:16px;line-height:1.5"><b>{{ $when }}</b>@if ($place !== '')<br>{{ $place }}@endif @if ($leave !== null)<br>Leave at {{ $leave }}@endif</p>
@if ($isLate)
<p style="margin:12px 0 0;font-size:15px;line-height:1.5;color:#5b6470">This reminder is late: it could not be sent when it was due.</p>
@endif
<p style="margin:20px 0 0;font-size:15px;line-height:1.5">You wanted to be reminded of it. <a href="{{ $url }}" style="color:#1d2733">See it, or be reminded no more</a></p>
</x-letter-frame>
