<x-plain-page title="Not shown at the moment" data-told>
    <p class="mt-3">“{{ $name }}” is not shown at the moment. Look again later, or ask whoever gave you the address.</p>
</x-plain-page>
