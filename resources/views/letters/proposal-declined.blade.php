<x-letter-frame :title="$title">
<p style="margin:0 0 6px;font-size:15px;line-height:1.5">{{ $organiser === '' ? 'It' : "{$organiser} has seen that you proposed another time. It" }} stays as it is:</p>
<h1 style="margin:0 0 16px;font-size:22px;line-height:1.3">{{ $title }}</h1>
<p style="margin:0 0 12px;font-size:16px;line-height:1.5"><b>{{ $when }}</b></p>
<p style="margin:20px 0 0;font-size:16px"><a href="{{ $invitation->answerUrl() }}" style="color:#1d2733">Your answer</a></p>
</x-letter-frame>
