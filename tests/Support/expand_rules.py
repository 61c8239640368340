"""Expands rules with dateutil: reads a JSON list of [rule, start, from, to] from standard input, prints a JSON list of lists.

All times are wall times without a zone. The recurrence set of RFC 5545 has DTSTART as its first occurrence and counts
it; dateutil leaves it out where the rule does not produce it, so it is put in here.
"""
import datetime as real
import json
import re
import sys
import types
from datetime import datetime

import dateutil.rrule
from dateutil.rrule import rrulestr

MOST = 400

# A rule that yields nothing would be searched to the year 9999: it is given up after the window.
bounded = types.SimpleNamespace(**vars(real))
dateutil.rrule.datetime = bounded


def instances(rule, start):
    """The instances of the rule from its start on, DTSTART first and counted."""
    count = re.search(r";COUNT=(\d+)", rule)
    bare = re.sub(r";COUNT=\d+", "", rule)
    yielded = 0
    limit = int(count.group(1)) if count else None
    for instance in rrulestr(bare, dtstart=start, cache=False):
        if yielded == 0 and instance != start:
            yield start
            yielded = 1
        if limit is not None and yielded >= limit:
            return
        yield instance
        yielded += 1
    if yielded == 0:
        yield start


results = []
for rule, start, begin, end in json.load(sys.stdin):
    begin, end = datetime.fromisoformat(begin), datetime.fromisoformat(end)
    bounded.MAXYEAR = end.year
    found = []
    try:
        for instance in instances(rule, datetime.fromisoformat(start)):
            if instance >= end:
                break
            if instance >= begin:
                found.append(instance.isoformat())
                if len(found) >= MOST:
                    break
        results.append(found)
    except (IndexError, ValueError) as fault:
        # Faults of its own, such as for the 20th Monday of a month; no answer is no disagreement.
        results.append(str(fault))
json.dump(results, sys.stdout)
