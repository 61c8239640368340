@foreach ($paragraphs as $paragraph)
{!! $paragraph !!}

@endforeach
@if ($isNew)
You set a password first; the link holds for 14 days.

@endif
{!! $button !!}: {!! $url !!}
