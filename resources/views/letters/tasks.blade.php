<x-letter-frame :title="$title">
<h1 style="margin:0 0 14px;font-size:20px;line-height:1.3">{{ $title }}</h1>
<table role="presentation" cellpadding="0" cellspacing="0" width="100%" style="font-size:16px;line-height:1.5">
@foreach ($lines as $line)
<tr><td style="border-top:1px solid #ddd3c1;padding:8px 0">{{ $line }}</td></tr>
@endforeach
</table>
<p style="margin:20px 0 0;font-size:15px"><a href="{{ $url }}" style="color:#1d2733">Open the rota</a></p>
</x-letter-frame>
