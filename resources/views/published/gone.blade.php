<!doctype html>
<html lang="en">
<head>
    <x-page-head title="This was taken back" :assets="['resources/css/published.css']" />
</head>
<body>
    <main class="mx-auto max-w-xl px-5 py-24">
        <h1 class="text-3xl font-semibold">This was taken back</h1>
        <p class="mt-3">What was shown at this address has been taken back. Ask whoever gave it to you for a new one.</p>
    </main>
</body>
</html>
