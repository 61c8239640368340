<!doctype html>
<html lang="en">
<head>
    <x-page-head title="Not shown at the moment" :assets="['resources/css/published.css']" />
</head>
<body>
    <main class="mx-auto max-w-xl px-5 py-24">
        <h1 class="text-3xl font-semibold">Not shown at the moment</h1>
        <p class="mt-3">“{{ $name }}” is not shown at the moment. Look again later, or ask whoever gave you the address.</p>
    </main>
</body>
</html>
