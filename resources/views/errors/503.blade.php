<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="robots" content="noindex">
    <meta name="color-scheme" content="light dark">
    <title>Pinned Rota is being worked on</title>
    <link rel="icon" href="/pin.svg" type="image/svg+xml">
    @vite(['resources/css/api.css'])
</head>
<body>
    <main class="mx-auto max-w-xl px-5 py-24">
        <h1 class="text-3xl font-semibold">Pinned Rota is being worked on</h1>
        <p class="mt-3">It is back in a few minutes, with everything that was kept. This page looks again by itself.</p>
    </main>
</body>
</html>
