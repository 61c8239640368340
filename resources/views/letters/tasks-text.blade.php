{!! $title !!}:

@foreach ($lines as $line)
- {!! $line !!}
@endforeach

{!! $url !!}
