<x-letter-frame :title="$title">
<p style="margin:0 0 6px;font-size:15px;line-height:1.5">@switch(true)
@case($kind === 'off') This is called off: @break
@case($isResponsible) You are responsible for this: @break
@case($kind === 'changed') {{ $organiser === '' ? 'This was changed:' : "{$organiser} changed this:" }} @break
@default {{ $organiser === '' ? 'You are asked to take part:' : "{$organiser} asks you to take part:" }}
@endswitch</p>
<h1 style="margin:0 0 16px;font-size:22px;line-height:1.3;@if ($kind === 'off') text-decoration:line-through @endif">{{ $title }}</h1>
<table role="presentation" cellpadding="0" cellspacing="0" style="font-size:16px;line-height:1.5">
@foreach ($times as $when)
<tr><td valign="top" style="padding:0 16px 4px 0;color:#5b6470">When</td><td style="padding:0 0 4px"><b>{{ $when }}</b>@if ($zone !== null) ({{ $zone }})@endif</td></tr>
@endforeach
@if ($isProvisional)
<tr><td valign="top" style="padding:0 16px 4px 0;color:#5b6470">State</td><td style="padding:0 0 4px">Provisional: it may still change</td></tr>
@endif
@if ($place !== '')
<tr><td valign="top" style="padding:0 16px 4px 0;color:#5b6470">Where</td><td style="padding:0 0 4px">{{ $place }}</td></tr>
@endif
@if ($meeting !== '')
<tr><td valign="top" style="padding:0 16px 4px 0;color:#5b6470">Online</td><td style="padding:0 0 4px"><a href="{{ $meeting }}" style="color:#1d2733">{{ $meeting }}</a></td></tr>
@endif
@if ($link !== '')
<tr><td valign="top" style="padding:0 16px 4px 0;color:#5b6470">Link</td><td style="padding:0 0 4px"><a href="{{ $link }}" style="color:#1d2733">{{ $link }}</a></td></tr>
@endif
</table>
@if ($were !== [])
<p style="margin:12px 0 0;font-size:15px;line-height:1.5;color:#5b6470">@foreach ($were as $line){{ $line }}@if (! $loop->last)<br>@endif @endforeach</p>
@endif
@if ($description !== '' && $kind !== 'off')
<p style="margin:14px 0 0;font-size:16px;line-height:1.5">{!! nl2br(e($description)) !!}</p>
@endif
@if ($asks)
<p style="margin:20px 0 8px;font-size:16px">{{ $asksAnew ? 'As it is at another time, please answer again:' : 'Please answer:' }}</p>
<table role="presentation" cellpadding="0" cellspacing="0"><tr>
@foreach (['accepted' => 'I come', 'tentative' => 'Perhaps', 'declined' => 'I do not come'] as $answer => $words)
<td style="padding:0 8px 8px 0"><a href="{{ $invitation->answerUrl($answer) }}" style="display:inline-block;border:2px solid #1d2733;@if ($loop->first) background:#1d2733;color:#fbf8f1; @else color:#1d2733; @endif padding:10px 18px;font-size:16px;text-decoration:none">{{ $words }}</a></td>
@endforeach
</tr></table>
<p style="margin:4px 0 0;font-size:13px;line-height:1.5;color:#5b6470">These buttons are yours alone: do not pass them on.</p>
@elseif ($kind !== 'off')
<p style="margin:20px 0 0;font-size:16px"><a href="{{ $invitation->answerUrl() }}" style="color:#1d2733">See it</a></p>
@endif
</x-letter-frame>
