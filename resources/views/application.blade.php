<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="robots" content="noindex">
    <meta name="color-scheme" content="light dark">
    <title>Pinned Rota</title>
    <link rel="icon" href="/pin.svg" type="image/svg+xml">
    @vite(['resources/js/main.tsx'])
</head>
<body>
    <div id="application"></div>
    <noscript>Pinned Rota needs JavaScript.</noscript>
</body>
</html>
