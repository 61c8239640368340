"""Reads iCalendar from standard input with python3-icalendar and prints uid|summary|start|instant of each event, sorted.

The start is the wall time as written, the instant the seconds from 1970 that it is in its time zone (empty for dates
and floating times).
"""
import json
import sys
import warnings

from icalendar import Calendar

warnings.simplefilter("error")
calendar = Calendar.from_ical(sys.stdin.buffer.read())
lines = []
for event in calendar.walk("VEVENT"):
    start = event.decoded("DTSTART")
    instant = ""
    if hasattr(start, "hour") and start.tzinfo is not None:
        instant = str(int(start.timestamp()))
        start = start.replace(tzinfo=None)
    lines.append(f"{event['UID']}|{event['SUMMARY'].strip()}|{start.isoformat()}|{instant}")
    errors = getattr(event, "errors", [])
    if errors:
        sys.exit(f"{event['UID']}: {errors}")
print(json.dumps(sorted(lines)))
