{!! $organiser === '' ? 'It' : "{$organiser} has seen that you proposed another time. It" !!} stays as it is:

{!! $title !!}
When: {!! $when !!}

Your answer: {!! $invitation->answerUrl() !!}
