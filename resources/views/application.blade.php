<!doctype html>
<html lang="en">
<head>
    <x-page-head title="Pinned Rota" :assets="['resources/js/main.tsx']" />
</head>
<body>
    <div id="application"@isset($frame) data-frame="{{ $frame }}"@endisset></div>
    <noscript>Pinned Rota needs JavaScript.</noscript>
</body>
</html>
