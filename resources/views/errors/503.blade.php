<!doctype html>
<html lang="en">
<head>
    <x-page-head title="Pinned Rota is being worked on" :assets="['resources/css/api.css']" />
</head>
<body>
    <main class="mx-auto max-w-xl px-5 py-24">
        <h1 class="text-3xl font-semibold">Pinned Rota is being worked on</h1>
        <p class="mt-3">It is back in a few minutes, with everything that was kept. This page looks again by itself.</p>
    </main>
</body>
</html>
