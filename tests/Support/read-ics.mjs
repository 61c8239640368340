// Reads iCalendar from standard input with ical.js and prints uid|summary|start of each event, sorted.
import { readFileSync } from 'node:fs';
import ICAL from 'ical.js';

const calendar = new ICAL.Component(ICAL.parse(readFileSync(0, 'utf8')));
const lines = calendar.getAllSubcomponents('vevent').map((component) => {
    const event = new ICAL.Event(component);
    return `${event.uid}|${event.summary.trim()}|${event.startDate.toString()}`;
});
console.log(JSON.stringify(lines.sort()));
