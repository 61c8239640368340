// Reads iCalendar from standard input with ical.js and prints what it finds of each event: see read_ics.py.
import { readFileSync } from 'node:fs';
import ICAL from 'ical.js';

const MOST = 8;
const calendar = new ICAL.Component(ICAL.parse(readFileSync(0, 'utf8')));
for (const zone of calendar.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(zone);
const floats = (time) => time.isDate || time.zone === ICAL.Timezone.localTimezone;
const instant = (time) => (floats(time) ? '' : String(time.toUnixTime()));
const wall = (time) => time.toString().replace('Z', '');

function times(component, start) {
    const rule = component.getFirstPropertyValue('rrule');
    if (rule === null || rule.toString().includes('SKIP')) return [];
    const expansion = new ICAL.RecurExpansion({ component, dtstart: start });
    const found = [];
    for (let next = expansion.next(); next !== undefined && next !== null && found.length < MOST; next = expansion.next()) found.push(wall(next));
    return found;
}

const lines = calendar.getAllSubcomponents('vevent').map((component) => {
    const start = component.getFirstPropertyValue('dtstart');
    const end = component.getFirstPropertyValue('dtend');
    return [component.getFirstPropertyValue('uid'), (component.getFirstPropertyValue('summary') ?? '').trim(), wall(start), instant(start), end === null ? '' : instant(end), times(component, start)];
});
console.log(JSON.stringify(lines));
