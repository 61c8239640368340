// Reads iCalendar from standard input with ical.js and prints uid|summary|start|instant of each event, sorted. The
// start is the wall time as written, the instant the seconds from 1970 that it is by the VTIMEZONE of the file (empty
// for dates and floating times).
import { readFileSync } from 'node:fs';
import ICAL from 'ical.js';

const calendar = new ICAL.Component(ICAL.parse(readFileSync(0, 'utf8')));
for (const zone of calendar.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(zone);
const lines = calendar.getAllSubcomponents('vevent').map((component) => {
    const event = new ICAL.Event(component);
    const start = event.startDate;
    const floating = start.isDate || start.zone === ICAL.Timezone.localTimezone;
    return `${event.uid}|${event.summary.trim()}|${start.toString().replace('Z', '')}|${floating ? '' : start.toUnixTime()}`;
});
// By code unit, as PHP and Python sort what is all within the basic plane.
console.log(JSON.stringify(lines.sort()));
