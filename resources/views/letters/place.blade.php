<x-letter-frame :title="$title">
<p style="margin:0 0 6px;font-size:15px;line-height:1.5">{{ $waitsAt === null ? 'A place has become free, and it is yours:' : "All places are taken. You wait as number {$waitsAt}, and are told when a place is yours:" }}</p>
<h1 style="margin:0 0 16px;font-size:22px;line-height:1.3">{{ $title }}</h1>
<p style="margin:0 0 12px;font-size:16px;line-height:1.5"><b>{{ $when }}</b>@if ($zone !== null) ({{ $zone }})@endif</p>
<p style="margin:20px 0 0;font-size:16px">If you do not come after all, <a href="{{ $invitation->answerUrl() }}" style="color:#1d2733">say so</a>, and the next one gets it.</p>
</x-letter-frame>
