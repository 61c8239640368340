"""Answers a request (RFC 5546) as another program does: reads it with icalendar, and writes a REPLY of what it read.
   python3 answer_ics.py ADDRESS PARTSTAT [COMMENT] < request"""
import sys

from icalendar import Calendar, Event, vCalAddress, vText

address, answer, *comment = sys.argv[1:]
request = Calendar.from_ical(sys.stdin.buffer.read())
assert request['METHOD'] == 'REQUEST', request['METHOD']
reply = Calendar()
reply.add('prodid', '-//Elsewhere//Answers//EN')
reply.add('version', '2.0')
reply.add('method', 'REPLY')
for event in request.walk('VEVENT'):
    attendees = event['ATTENDEE'] if isinstance(event['ATTENDEE'], list) else [event['ATTENDEE']]
    me = next(each for each in attendees if each.lower() == f'mailto:{address}'.lower())
    assert me.params['RSVP'] == 'TRUE'
    answered = Event()
    for name in ('UID', 'ORGANIZER', 'SEQUENCE', 'DTSTART', 'RECURRENCE-ID'):
        if name in event:
            answered[name] = event[name]
    answered['DTSTAMP'] = event['DTSTAMP']
    attendee = vCalAddress(f'mailto:{address}')
    attendee.params['PARTSTAT'] = vText(answer)
    answered['ATTENDEE'] = attendee
    for words in comment:
        answered.add('comment', words)
    reply.add_component(answered)
sys.stdout.buffer.write(reply.to_ical())
