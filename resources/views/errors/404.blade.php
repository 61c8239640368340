<!doctype html>
<html lang="en">
<head>
    <x-page-head title="Nothing is at this address" :assets="['resources/css/api.css']" />
</head>
<body>
    <main class="mx-auto max-w-xl px-5 py-24">
        <h1 class="text-3xl font-semibold">Nothing is at this address</h1>
        <p class="mt-3">It may be misspelt, or what was published here was taken back. Ask whoever gave it to you for a new one.</p>
        <p class="mt-6"><a class="underline" href="/">Go to the rota</a> — for those who have an account in this organisation.</p>
    </main>
</body>
</html>
