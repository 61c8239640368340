"""Reads iCalendar from standard input with python3-icalendar and prints uid|summary|start of each event, sorted."""
import json
import sys
import warnings

from icalendar import Calendar

warnings.simplefilter("error")
calendar = Calendar.from_ical(sys.stdin.buffer.read())
lines = []
for event in calendar.walk("VEVENT"):
    start = event.decoded("DTSTART")
    start = start.replace(tzinfo=None) if hasattr(start, "hour") else start
    lines.append(f"{event['UID']}|{event['SUMMARY'].strip()}|{start.isoformat()}")
    errors = getattr(event, "errors", [])
    if errors:
        sys.exit(f"{event['UID']}: {errors}")
print(json.dumps(sorted(lines)))
