{{-- The frame of a letter, which any mail program shows: tables, no images, nothing from elsewhere. --}}
@props(['title'])
<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><title>{{ $title }}</title></head>
<body style="margin:0;background:#efe8d8;font-family:Georgia,serif;color:#1d2733">
<table role="presentation" width="100%" cellpadding="0" cellspacing="0"><tr><td align="center" style="padding:32px 12px">
<table role="presentation" width="520" cellpadding="0" cellspacing="0" style="max-width:520px;width:100%;background:#fbf8f1;border:2px solid #1d2733"><tr><td style="padding:28px 32px">
{{ $slot }}
</td></tr></table>
</td></tr></table>
</body>
</html>
