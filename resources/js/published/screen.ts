import { staleWords } from './stale';

/**
 * A screen on a wall: nobody is there to touch it. It asks for what is on anew, turns over what does not fit, and says when what
 * it shows may be old; what it has shown stays while nothing answers.
 */
const ASK_EVERY = 60_000;
const TURN_EVERY = 15_000;

/** On the clock of the page, in milliseconds: when it was last told what is on. */
let seen = performance.now();

const clock = document.querySelector<HTMLElement>('[data-clock]');
const stale = document.querySelector<HTMLElement>('[data-stale]');
const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: clock?.dataset.zone ?? 'UTC' });

function tellTime(): void {
    if (clock !== null) clock.textContent = time.format();
    if (stale === null) return;
    const words = staleWords(performance.now() - seen);
    stale.hidden = words === null;
    stale.textContent = words ?? '';
}

async function ask(): Promise<void> {
    try {
        const answer = await fetch(location.href, { cache: 'no-cache' });
        const page = new DOMParser().parseFromString(await answer.text(), 'text/html');
        const [content, now] = [page.querySelector('main'), document.querySelector('main')];
        // What it is not given any more it does not go on showing; a server that is being restarted has said nothing of that.
        if (content === null || now === null || (!answer.ok && content.dataset.told === undefined)) return;
        // Styles and scripts may be others since.
        if (sources(page) !== sources(document) && answer.ok) return location.reload();
        if (content.innerHTML !== now.innerHTML) now.replaceWith(content);
        for (const place of ['h1', '.screen-day']) {
            const [told, shown] = [page.querySelector(place), document.querySelector(place)];
            if (told !== null && shown !== null) shown.textContent = told.textContent;
        }
        seen = performance.now();
    } catch {
        // Nothing answers: it is asked again.
    } finally {
        tellTime();
    }
}

function sources(page: Document): string {
    return [...page.querySelectorAll<HTMLElement>('link[rel=stylesheet],script[src]')].map((each) => each.getAttribute('href') ?? each.getAttribute('src')).join(' ');
}

function turn(): void {
    for (const part of document.querySelectorAll<HTMLElement>('[data-turns]')) {
        const isAtEnd = part.scrollTop + part.clientHeight >= part.scrollHeight - 2;
        part.scrollTo({ top: isAtEnd ? 0 : part.scrollTop + part.clientHeight * 0.9, behavior: 'smooth' });
    }
}

tellTime();
setInterval(tellTime, 5_000);
setInterval(() => void ask(), ASK_EVERY);
setInterval(turn, TURN_EVERY);
window.addEventListener('online', () => void ask());
