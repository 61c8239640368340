/**
 * What it costs to tell 1,000 open browsers of a change a second, and how soon those who look at the changed week have it.
 * Those who look ask anew as resources/js/app/live does.
 *
 *   node bench/live.mjs PORT FILE NGINX-PID-FILE
 */
import { readdirSync, readFileSync } from 'node:fs';
import http from 'node:http';

const [port, file, pidFile] = process.argv.slice(2);
const { monday, people } = JSON.parse(readFileSync(file, 'utf8'));
const [CONNECTED, WATCHING, WORKING, SECONDS, SPREAD] = [1000, 200, 20, 30, 2000];
const TICKS = 100;
const nextMonday = new Date(Date.parse(monday) + 7 * 86_400_000).toISOString().slice(0, 10);
const inFiveWeeks = new Date(Date.parse(monday) + 35 * 86_400_000).toISOString().slice(0, 10);
const week = `/api/v1/sheet?from=${monday}&to=${nextMonday}&tz=Europe/London`;
const sleep = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds));
const sorted = (list) => list.toSorted((a, b) => a - b);
const median = (list) => sorted(list)[Math.floor(list.length / 2)];
const row = (what, value, bound) => console.log(`${what.padEnd(74)} ${value.toFixed(2).padStart(8)}  ${bound === undefined ? '' : `at most ${bound}: ${value <= bound ? 'met' : 'NOT MET'}`}`);

const agent = new http.Agent({ keepAlive: true, maxSockets: 400 });

function ask(person, path, { method = 'GET', body, later = false } = {}) {
    return new Promise((resolve, reject) => {
        const headers = { Cookie: person.cookie, Accept: 'application/json', 'Accept-Encoding': 'gzip', ...(later && { Priority: 'u=6' }), ...(body && { 'Content-Type': 'application/json', 'X-CSRF-TOKEN': person.token }) };
        const begun = performance.now();
        const request = http.request({ port, path, method, headers, agent }, (response) => {
            response.resume();
            response.on('end', () => (response.statusCode < 300 ? resolve(performance.now() - begun) : reject(new Error(`${path} answered ${response.statusCode}`))));
        });
        request.on('error', reject);
        request.end(body && JSON.stringify(body));
    });
}

/** Listens as an open browser does. */
function listen(person, onMark) {
    return new Promise((resolve, reject) => {
        const request = http.request({ port, path: '/api/v1/live', headers: { Cookie: person.cookie, Accept: 'text/event-stream' }, agent: false }, (response) => {
            if (response.statusCode !== 200) return reject(new Error(`/live answered ${response.statusCode}`));
            response.setEncoding('utf8');
            response.on('data', (text) => {
                for (const [, json] of text.matchAll(/^data: (.+)$/gm)) onMark(JSON.parse(json));
            });
            resolve(request);
        });
        request.on('error', () => undefined);
        request.end();
    });
}

/** Seconds of a core that the web server has used so far. */
function nginxSeconds() {
    const master = readFileSync(pidFile, 'utf8').trim();
    const stats = readdirSync('/proc').filter((each) => /^\d+$/.test(each)).flatMap((pid) => {
        try {
            return [readFileSync(`/proc/${pid}/stat`, 'utf8').replace(/^.*\) /, '').split(' ')];
        } catch {
            return [];
        }
    });
    return stats.filter((stat) => stat[1] === master).reduce((sum, stat) => sum + (Number(stat[11]) + Number(stat[12])) / TICKS, 0);
}

/** People who look at a week, think for a while, and look again. */
async function work(until) {
    const times = [];
    await Promise.all(
        people.slice(900, 900 + WORKING).map(async (person) => {
            await sleep(Math.random() * 2000);
            while (performance.now() < until()) {
                times.push(await ask(person, week));
                await sleep(1000 + Math.random() * 2000);
            }
        }),
    );
    return times;
}

/** A change a second, every so manieth of the week that is watched, each by the keeper of a calendar; when each of that week was told of, and read. */
async function change(seconds, every = 1) {
    const changes = [];
    for (let count = 0; count < seconds; count++) {
        const from = performance.now();
        const calendar = (count % 30) + 1;
        const watched = count % every === 0;
        const about = { at: performance.now(), told: [], read: [] };
        if (watched) changes.push(about);
        now.about = about;
        await ask(people[calendar - 1], '/api/v1/events', { method: 'POST', body: { calendar: `bench-${calendar}`, title: `Change ${count}`, start: `${watched ? monday : inFiveWeeks}T10:00` } });
        await sleep(Math.max(0, 1000 - (performance.now() - from)));
    }
    return changes;
}

const now = { about: null, reading: false };

/** Asks anew within two seconds, once for all that has come until then, never while it is asking, and less often where it is slow. */
function watcher(person) {
    let waiting = [];
    let busy = false;
    let gap = 0;
    let last = -Infinity;
    const reread = async () => {
        busy = true;
        while (waiting.length > 0) {
            await sleep(Math.max(Math.random() * SPREAD, last + gap - performance.now()));
            const these = waiting;
            waiting = [];
            const took = await ask(person, week, { later: true });
            last = performance.now();
            gap = took > 400 ? Math.min(10_000, Math.max(SPREAD, gap * 1.3)) : gap * 0.9;
            for (const about of these) about.read.push(performance.now() - about.at);
        }
        busy = false;
    };
    return ({ firstDay }) => {
        now.about?.told.push(performance.now() - now.about.at);
        if (!now.reading || now.about === null || firstDay >= nextMonday) return;
        waiting.push(now.about);
        if (!busy) void reread();
    };
}

for (let warm = 0; warm < 40; warm++) await ask(people[warm], week);
let end = performance.now() + SECONDS * 1000;
const alone = await work(() => end);
row(`the week, ${WORKING} people working alone, ms (median of ${alone.length})`, median(alone));

const open = [];
const opening = performance.now();
for (let first = 0; first < CONNECTED; first += 20) {
    open.push(...(await Promise.all(people.slice(first, first + 20).map((person, index) => listen(person, first + index < WATCHING ? watcher(person) : () => now.about?.told.push(performance.now() - now.about.at))))));
}
row(`${CONNECTED} connections opened, s`, (performance.now() - opening) / 1000);

let used = nginxSeconds();
let changes = await change(SECONDS);
row(`pushing a change a second to ${CONNECTED}, % of a core`, ((nginxSeconds() - used) / SECONDS) * 100, 15);
const least = Math.min(...changes.map((each) => each.told.length));
row(`… told to so many, of each change at least`, least);
row('… the last of them has been told, ms (the slowest change)', Math.max(...changes.map((each) => Math.max(...each.told))));

now.reading = true;
for (const [every, what] of [[15, 'one in fifteen of them'], [1, 'each of them']]) {
    end = performance.now() + SECONDS * 1000;
    const [busy, watched] = await Promise.all([work(() => end), change(SECONDS, every)]);
    await sleep(15_000);
    const last = watched.map((each) => Math.max(...each.read));
    console.log(`A change a second, ${what} of the week that ${WATCHING} look at:`);
    row('… the last of those has read it, s (the slowest change)', Math.max(...last) / 1000, 5);
    row('… the median change, s', median(last) / 1000);
    row('… has been read by so many, of each change at least', Math.min(...watched.map((each) => each.read.length)));
    row(`… the week, ${WORKING} people working meanwhile, ms (median of ${busy.length})`, median(busy));
    row('… times that of working alone', median(busy) / median(alone), 1.5);
}
process.exit(0);
