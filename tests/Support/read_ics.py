"""Reads iCalendar from standard input with python3-icalendar, expands it with dateutil, and prints what it finds of each event.

A line is [uid, summary, start, instant, end, times]: the start is the wall time as written, the instant and the end are seconds from
1970 in its time zone (empty for dates and floating times), and times are the first starts of a series, as they show on its wall.
"""
import json
import sys
import warnings
from datetime import date, datetime, timezone
from itertools import islice

from dateutil.rrule import rruleset, rrulestr
from icalendar import Calendar

MOST = 8


def told(time):
    if isinstance(time, datetime):
        return time.replace(tzinfo=None).isoformat()
    return time.isoformat()


def values(event, name):
    found = event.get(name, [])
    found = found if isinstance(found, list) else [found]
    return [each.dt for one in found for each in one.dts]


def times(event, start):
    if "RRULE" not in event or "SKIP" in event["RRULE"]:
        return []
    every = rruleset()
    rule = event["RRULE"].to_ical().decode()
    naive = start if isinstance(start, datetime) else datetime.combine(start, datetime.min.time())
    every.rrule(rrulestr(rule, dtstart=naive, ignoretz=naive.tzinfo is None))
    plain = lambda each: each if isinstance(each, datetime) else datetime.combine(each, datetime.min.time())
    for each in values(event, "RDATE"):
        begins = plain(each[0] if isinstance(each, tuple) else each)
        every.rdate(begins if naive.tzinfo is None else begins.astimezone(naive.tzinfo))
    for each in values(event, "EXDATE"):
        skipped = plain(each)
        every.exdate(skipped if naive.tzinfo is None else skipped.astimezone(naive.tzinfo))
    found = [each.replace(tzinfo=None) for each in islice(every, MOST)]
    return [each.isoformat() if isinstance(start, datetime) else each.date().isoformat() for each in found]


def instant(time):
    return str(int(time.timestamp())) if isinstance(time, datetime) and time.tzinfo is not None else ""


warnings.simplefilter("error")
calendar = Calendar.from_ical(sys.stdin.buffer.read())
lines = []
for event in calendar.walk("VEVENT"):
    start = event.decoded("DTSTART")
    end = event.decoded("DTEND") if "DTEND" in event else None
    lines.append([str(event["UID"]), str(event.get("SUMMARY", "")).strip(), told(start), instant(start), "" if end is None else instant(end), times(event, start)])
    errors = getattr(event, "errors", [])
    if errors:
        sys.exit(f"{event['UID']}: {errors}")
print(json.dumps(sorted(lines)))
