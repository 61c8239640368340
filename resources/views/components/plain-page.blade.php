@props(['title'])
<!doctype html>
<html lang="en">
<head>
    <x-page-head :title="$title" :assets="['resources/css/api.css']" />
</head>
<body>
    <main {{ $attributes->class('mx-auto max-w-xl px-5 py-24') }}>
        <h1 class="text-3xl font-semibold">{{ $title }}</h1>
        {{ $slot }}
    </main>
</body>
</html>
