@foreach ([match (true) {
    $kind === 'off' => 'This is called off:',
    $isResponsible => 'You are responsible for this:',
    $kind === 'changed' => ($organiser === '' ? 'This was changed:' : "{$organiser} changed this:"),
    default => ($organiser === '' ? 'You are asked to take part:' : "{$organiser} asks you to take part:"),
}, ''] as $line)
{!! $line !!}
@endforeach
{!! $title !!}
@foreach ($times as $when)
When: {!! $when !!}@if ($zone !== null) ({!! $zone !!})@endif

@endforeach
@if ($isProvisional)
State: provisional, it may still change
@endif
@if ($place !== '')
Where: {!! $place !!}
@endif
@if ($meeting !== '')
Online: {!! $meeting !!}
@endif
@if ($link !== '')
Link: {!! $link !!}
@endif
@if ($were !== [])

@foreach ($were as $line)
{!! $line !!}
@endforeach
@endif
@if ($description !== '' && $kind !== 'off')

{!! $description !!}
@endif
@if ($asks)

{{ $asksAnew ? 'As it is at another time, please answer again:' : 'Please answer:' }}
I come: {!! $invitation->answerUrl('accepted') !!}
Perhaps: {!! $invitation->answerUrl('tentative') !!}
I do not come: {!! $invitation->answerUrl('declined') !!}
These links are yours alone: do not pass them on.
@elseif ($kind !== 'off')

To see it: {!! $invitation->answerUrl() !!}
@endif
