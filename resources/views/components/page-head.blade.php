@props(['title', 'assets'])
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<meta name="color-scheme" content="light dark">
<title>{{ $title }}</title>
<meta name="theme-color" content="#1d2733">
<link rel="manifest" href="/app.webmanifest">
<link rel="icon" href="/pin.svg" type="image/svg+xml">
@vite($assets)
