@php($names = ['on' => $isWeekly ? 'This week' : 'Today', 'waiting' => 'Waiting for your answer', 'due' => 'To prepare'])
<x-letter-frame :title="$title">
<h1 style="margin:0 0 14px;font-size:20px;line-height:1.3">{{ $title }}</h1>
@foreach ($names as $part => $name)
@if (isset($parts[$part]))
<h2 style="margin:16px 0 4px;font-size:15px;line-height:1.3">{{ $name }}</h2>
<table role="presentation" cellpadding="0" cellspacing="0" width="100%" style="font-size:16px;line-height:1.5">
@foreach ($parts[$part][0] as $line)
<tr><td style="border-top:1px solid #ddd3c1;padding:7px 0">{{ $line }}</td></tr>
@endforeach
@if ($parts[$part][1] > 0)
<tr><td style="border-top:1px solid #ddd3c1;padding:7px 0;color:#5b6470">and {{ $parts[$part][1] }} more</td></tr>
@endif
</table>
@endif
@if ($part === 'on' && $calendars !== [])
<h2 style="margin:16px 0 4px;font-size:15px;line-height:1.3">What changed</h2>
<x-letter-changes :calendars="$calendars" />
@endif
@endforeach
<p style="margin:20px 0 0;font-size:15px"><a href="{{ $url }}" style="color:#1d2733">Open the rota</a> · <a href="{{ $waitingUrl }}" style="color:#1d2733">What waits for you</a></p>
<p style="margin:20px 0 0;font-size:13px;line-height:1.5;color:#5b6470"><a href="{{ $stop }}" style="color:#5b6470">No such letter any more</a></p>
</x-letter-frame>
