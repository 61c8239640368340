<x-plain-page title="This was taken back" data-told>
    <p class="mt-3">What was shown here is not shown at this address any more. Ask whoever gave it to you for a new one.</p>
</x-plain-page>
