<x-plain-page title="This link leads nowhere">
    <p class="mt-3">It may have been cut off in the letter. Open it from the letter again, or answer whoever asked you.</p>
</x-plain-page>
