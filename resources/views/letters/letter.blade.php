<x-letter-frame :title="$title">
<h1 style="margin:0 0 16px;font-size:22px;line-height:1.3">{{ $title }}</h1>
@foreach ($paragraphs as $paragraph)
<p style="margin:0 0 12px;font-size:16px;line-height:1.5">{{ $paragraph }}</p>
@endforeach
@if ($isNew)
<p style="margin:0 0 12px;font-size:16px;line-height:1.5">You set a password first; the link holds for 14 days.</p>
@endif
<p style="margin:24px 0 8px"><a href="{{ $url }}" style="display:inline-block;background:#1d2733;color:#fbf8f1;padding:12px 22px;font-size:16px;text-decoration:none">{{ $button }}</a></p>
</x-letter-frame>
