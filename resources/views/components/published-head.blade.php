@props(['title', 'url', 'isFindable', 'about' => '', 'data' => []])
{{-- What programs read of a published page: it is found by searching only where everybody may have it. --}}
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
@unless ($isFindable)
    <meta name="robots" content="noindex">
@endunless
<meta name="referrer" content="no-referrer">
<meta name="color-scheme" content="light dark">
<title>{{ $title }}</title>
@if ($isFindable)
    <link rel="canonical" href="{{ $url }}">
    <meta name="description" content="{{ $about }}">
    <script type="application/ld+json">{!! json_encode(['@context' => 'https://schema.org', '@graph' => $data], JSON_HEX_TAG | JSON_HEX_AMP | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR) !!}</script>
@endif
<link rel="icon" href="/pin.svg" type="image/svg+xml">
