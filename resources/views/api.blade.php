<!doctype html>
<html lang="en">
<head>
    <x-page-head title="Pinned Rota: its API" :assets="['resources/css/api.css']" />
</head>
<body>
    <div class="mx-auto flex max-w-6xl gap-10 px-5 py-8 max-md:flex-col">
        <nav aria-label="Contents" class="w-48 shrink-0 self-start md:sticky md:top-8 md:max-h-[calc(100vh-4rem)] md:overflow-y-auto">
            <p class="mb-2 text-soft">What is done</p>
            <ul class="mb-4">
                @foreach ($groups as $group => $operations)
                    <li><a class="flex min-h-6 justify-between gap-2 hover:underline" href="#of-{{ $group }}">{{ ucfirst($group) }} <span class="text-soft">{{ count($operations) }}</span></a></li>
                @endforeach
            </ul>
            <p class="mb-2 text-soft">What is sent and answered</p>
            <ul>
                @foreach ($schemas as $name => $schema)
                    <li><a class="block min-h-6 hover:underline" href="#{{ $name }}">{{ $name }}</a></li>
                @endforeach
            </ul>
        </nav>
        <main class="min-w-0 flex-1">
            <h1 class="text-3xl font-semibold">The API of Pinned Rota</h1>
            <p class="mt-3 max-w-prose">{{ $about }} Every address below begins with <code>{{ $base }}</code>. A change tells the version that it was made from (If-Match), and is answered with the operation that undoes it (Operation) where there is one.</p>
            <p class="mt-2">For programs: <a class="underline" href="/api/openapi.json">the same as OpenAPI</a>.</p>
            @foreach ($groups as $group => $operations)
                <section aria-labelledby="of-{{ $group }}" class="mt-9">
                    <h2 id="of-{{ $group }}" class="border-b border-ink pb-1 text-xl font-semibold">{{ ucfirst($group) }}</h2>
                    @foreach ($operations as $operation)
                        <article aria-labelledby="{{ $operation['name'] }}" class="border-b border-line py-4">
                            <h3 id="{{ $operation['name'] }}" class="font-mono! text-[13px] font-semibold [overflow-wrap:anywhere]"><span class="mr-2 inline-block min-w-14 border border-ink px-1.5 text-center">{{ $operation['method'] }}</span>{{ $operation['path'] }}</h3>
                            <p class="mt-1.5">{{ $operation['about'] }}</p>
                            @if ($operation['parameters'] !== [])
                                <div class="mt-2"><x-api-fields :fields="$operation['parameters']" :label="'Parameters of '.$operation['name']" /></div>
                            @endif
                            @if ($operation['body'] !== [])
                                <p class="mt-2"><span class="text-soft">Sent:</span> <x-api-type :type="$operation['body']" /></p>
                            @endif
                            @foreach ($operation['answers'] as $answer)
                                <p class="mt-1"><span class="text-soft">Answered {{ $answer['status'] }}:</span> {{ $answer['about'] }}@if ($answer['type'] !== []): <x-api-type :type="$answer['type']" />@endif</p>
                            @endforeach
                        </article>
                    @endforeach
                </section>
            @endforeach
            <h2 class="mt-10 border-b border-ink pb-1 text-xl font-semibold">What is sent and answered</h2>
            @foreach ($schemas as $name => $schema)
                <section aria-labelledby="{{ $name }}" class="mt-5">
                    <h3 id="{{ $name }}" class="mb-1 text-base font-semibold">{{ $name }}</h3>
                    @if ($schema['about'] !== '')
                        <p class="mb-1.5 text-soft">{{ $schema['about'] }}</p>
                    @endif
                    @if ($schema['properties'] === [])
                        <p><x-api-type :type="$schema['of']" /></p>
                    @else
                        <x-api-fields :fields="$schema['properties']" :label="$name" />
                    @endif
                </section>
            @endforeach
        </main>
    </div>
</body>
</html>
