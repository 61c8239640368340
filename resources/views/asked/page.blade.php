@php($words = ['accepted' => 'I come', 'tentative' => 'Perhaps', 'declined' => 'I do not come'])
@php($told = ['accepted' => 'You come.', 'tentative' => 'You come perhaps.', 'declined' => 'You do not come.'])
<x-plain-page :title="$title === '' ? 'This is not on any more' : $title" class="asked">
@if ($isNoted && $stands !== null)
    <p role="status" class="mt-4 border-l-4 border-ink bg-wash px-4 py-3"><b>Your answer is noted.</b> {{ $times === [] ? $told[$stands] : '' }} You can change it here at any time.</p>
@endif
@if (request()->query('brought') !== null)
    <p role="status" class="mt-4 border-l-4 border-ink bg-wash px-4 py-3"><b>They are asked.</b> A letter goes to them.</p>
@endif
@if ($isOn && $terms->waitsAt !== null)
    <p role="status" class="mt-4 border-l-4 border-ink bg-wash px-4 py-3"><b>All places are taken.</b> You wait as number {{ $terms->waitsAt }}, and are told when a place is yours.</p>
@endif
@if ($problem !== '')
    <p role="alert" class="mt-4 border-l-4 border-pin text-pin-ink px-4 py-3">{{ $problem }}</p>
@endif
@if (! $isOn)
    <p class="mt-4">{{ $title === '' ? 'There is nothing here to answer.' : 'This is called off, or you are not asked to it any more.' }}</p>
@else
    <dl class="mt-5 grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
        <dt class="text-soft">When</dt><dd class="font-semibold">{{ $when }}@if ($zone !== null) <span class="font-normal">({{ $zone }})</span>@endif</dd>
@if ($place !== '')
        <dt class="text-soft">Where</dt><dd>{{ $place }}</dd>
@endif
@if ($meeting !== '')
        <dt class="text-soft">Online</dt><dd class="break-all"><a class="underline" href="{{ $meeting }}" rel="noopener noreferrer">{{ $meeting }}</a></dd>
@endif
@if ($link !== '')
        <dt class="text-soft">Link</dt><dd class="break-all"><a class="underline" href="{{ $link }}" rel="noopener noreferrer">{{ $link }}</a></dd>
@endif
@if ($terms->places !== null)
        <dt class="text-soft">Places</dt><dd>{{ $terms->taken }} of {{ $terms->places }} taken{{ $terms->waiting > 0 ? ", {$terms->waiting} waiting" : '' }}</dd>
@endif
@if ($terms->isProvisional)
        <dt class="text-soft">State</dt><dd>Provisional: it may still change</dd>
@endif
@if ($organiser !== '')
        <dt class="text-soft">Asked by</dt><dd>{{ $organiser }}</dd>
@endif
    </dl>
@if ($meeting !== '' && $joins)
    <p class="mt-5"><a class="inline-flex min-h-11 items-center rounded-sm bg-ink px-6 font-semibold text-paper" href="{{ $meeting }}" rel="noopener noreferrer">Join</a></p>
@endif
@if ($description !== '')
    <p class="mt-4 whitespace-pre-line">{{ $description }}</p>
@endif
@if (! $isWanted)
    <p class="mt-6">You need not answer.</p>
@else
    <form method="post" action="/asked/{{ $code }}" class="mt-8 border-t-2 border-ink pt-6">
        <fieldset>
            <legend class="text-lg font-semibold">Your answer</legend>
            <div class="mt-3 flex flex-wrap gap-x-6 gap-y-2">
@foreach ($words as $answer => $said)
                <label class="flex min-h-11 items-center gap-2"><input type="radio" name="answer" value="{{ $answer }}" required @checked($chosen === $answer) class="size-5 accent-ink"> {{ $said }}</label>
@endforeach
            </div>
        </fieldset>
@if ($times !== [])
        <label class="mt-4 block">To which time
            <select name="time" class="mt-1 block min-h-11 w-full rounded-sm border border-line bg-sheet px-2">
                <option value="">All of them</option>
@foreach ($times as $name => [$at, $given])
                <option value="{{ $name }}">{{ $at }}{{ $given === '' ? '' : ": {$words[$given]}" }}</option>
@endforeach
            </select>
        </label>
@endif
        <label class="mt-4 block">A note, if you like
            <input name="note" value="{{ $note }}" maxlength="500" class="mt-1 block min-h-11 w-full rounded-sm border border-line bg-sheet px-2" autocomplete="off">
        </label>
@if ($terms->isFull)
        <p class="mt-4 text-soft">All places are taken: who comes waits for one.</p>
@endif
        <button class="mt-5 min-h-11 rounded-sm bg-ink px-6 font-semibold text-paper">Send the answer</button>
    </form>
@endif
@if ($terms->others !== [])
    <h2 class="mt-8 border-t-2 border-ink pt-6 text-lg font-semibold">Who else is asked</h2>
    <ul class="mt-2">
@foreach ($terms->others as [$name, $answer])
        <li class="border-b border-line py-1.5">{{ $name }}@if ($answer !== '') <span class="text-soft">{{ $answer }}</span>@endif</li>
@endforeach
    </ul>
@endif
@if ($terms->mayBring)
    <form method="post" action="/asked/{{ $code }}/guests" class="mt-8 border-t-2 border-ink pt-6">
        <fieldset>
            <legend class="text-lg font-semibold">Bring somebody</legend>
            <label class="mt-3 block">Mail address
                <input name="address" type="email" required maxlength="180" class="mt-1 block min-h-11 w-full rounded-sm border border-line bg-sheet px-2" autocomplete="off">
            </label>
            <label class="mt-3 block">Name, if you like
                <input name="name" maxlength="120" class="mt-1 block min-h-11 w-full rounded-sm border border-line bg-sheet px-2" autocomplete="off">
            </label>
        </fieldset>
        <button class="mt-5 min-h-11 rounded-sm border-2 border-ink px-6 font-semibold">Ask them</button>
    </form>
@endif
@endif
</x-plain-page>
