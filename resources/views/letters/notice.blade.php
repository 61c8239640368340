<x-letter-frame :title="$title">
<h1 style="margin:0 0 14px;font-size:20px;line-height:1.3">{{ $title }}</h1>
<x-letter-changes :calendars="$calendars" />
@if ($more > 0)
<p style="margin:12px 0 0;font-size:15px">and {{ $more }} more</p>
@endif
<p style="margin:20px 0 0;font-size:15px"><a href="{{ $url }}" style="color:#1d2733">See them all</a></p>
<p style="margin:20px 0 0;font-size:13px;line-height:1.5;color:#5b6470">You follow this, or take part in it. <a href="{{ $stop }}" style="color:#5b6470">No letters about changes any more</a></p>
</x-letter-frame>
