@php($name = ['now' => 'letters about changes', 'daily' => 'the letter of the day', 'weekly' => 'the letter of the week'][$pace])
<x-plain-page :title="$isStopped ? 'You get no such letters any more' : 'No such letters any more?'" class="stop">
@if ($isStopped)
    <p role="status" class="mt-4 border-l-4 border-ink bg-wash px-4 py-3"><b>Done.</b> You do not get {{ $name }} any more. What changes is still under “For you” when you sign in.</p>
    <form method="post" action="{{ $action }}" class="mt-6">
        <input type="hidden" name="letters" value="again">
        <button class="min-h-11 rounded-sm border border-ink px-6">Send them again</button>
    </form>
@else
    <p class="mt-4">You get {{ $name }} of the rota. Invitations, and what you have to prepare, come whatever you choose here.</p>
    <form method="post" action="{{ $action }}" class="mt-6">
        <button class="min-h-11 rounded-sm bg-ink px-6 font-semibold text-paper">Stop them</button>
    </form>
@endif
</x-plain-page>
