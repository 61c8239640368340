<x-plain-page title="Nothing is at this address">
    <p class="mt-3">It may be misspelt, or what was published here was taken back. Ask whoever gave it to you for a new one.</p>
    <p class="mt-6"><a class="underline" href="/">Go to the rota</a> — for those who have an account in this organisation.</p>
</x-plain-page>
