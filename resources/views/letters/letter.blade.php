<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><title>{{ $title }}</title></head>
<body style="margin:0;background:#efe8d8;font-family:Georgia,serif;color:#1d2733">
<table role="presentation" width="100%" cellpadding="0" cellspacing="0"><tr><td align="center" style="padding:32px 12px">
<table role="presentation" width="520" cellpadding="0" cellspacing="0" style="max-width:520px;width:100%;background:#fbf8f1;border:2px solid #1d2733"><tr><td style="padding:28px 32px">
<h1 style="margin:0 0 16px;font-size:22px;line-height:1.3">{{ $title }}</h1>
@foreach ($paragraphs as $paragraph)
<p style="margin:0 0 12px;font-size:16px;line-height:1.5">{{ $paragraph }}</p>
@endforeach
@if ($isNew)
<p style="margin:0 0 12px;font-size:16px;line-height:1.5">You set a password first; the link holds for 14 days.</p>
@endif
<p style="margin:24px 0 8px"><a href="{{ $url }}" style="display:inline-block;background:#1d2733;color:#fbf8f1;padding:12px 22px;font-size:16px;text-decoration:none">{{ $button }}</a></p>
</td></tr></table>
</td></tr></table>
</body>
</html>
