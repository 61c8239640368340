@props(['title', 'assets'])
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<meta name="color-scheme" content="light dark">
<title>{{ $title }}</title>
<link rel="icon" href="/pin.svg" type="image/svg+xml">
@vite($assets)
