<x-plain-page title="This is not on here">
    <p class="mt-3">It may have been moved to another day, or it is not shown any more. <a href="{{ $page }}" class="underline">Look at what is on</a>.</p>
</x-plain-page>
