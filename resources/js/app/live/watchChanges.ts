import type { Schemas } from '@/api/client';
import { withFrame } from '@/api/frame';
import { takeNew, type Mark } from '@/api/marks';
import { between, SPREAD } from './spread';

/** In milliseconds: where nothing is pushed, it is asked about as often as this. */
const SLOW = 30_000;

/** In milliseconds: whoever looks elsewhere for longer is not told, and asks what they missed when they are back. */
const AWAY = 30_000;

type Ways = {
    /** Asks what has changed since a position; fails where nobody can be asked, or one is signed out. */
    ask: (since: string | undefined) => Promise<Schemas['Changes']>;
    /** What others have changed; or null, where it is not known what. */
    changed: (marks: Mark[] | null) => void;
};

/**
 * Listens to what changes, for as long as the page is looked at; after each interruption it asks what it missed. Where
 * there is no connection to be had, it asks now and then, until it is said that there may be one again.
 */
export function watchChanges({ ask, changed }: Ways): { again: () => void; stop: () => void } {
    let source: EventSource | null = null;
    let position: string | undefined;
    let failures = 0;
    let retry: ReturnType<typeof setTimeout> | undefined;
    let leave: ReturnType<typeof setTimeout> | undefined;

    const catchUp = async () => {
        const since = position;
        const answer = await ask(since).catch(() => null);
        if (answer === null) return;
        position = answer.position;
        const fresh = takeNew(answer.marks);
        // What was changed before one looked is on the screen as it is.
        if (since === undefined) return;
        if (answer.everything) changed(null);
        else if (fresh.length > 0) changed(fresh);
    };

    const disconnect = () => {
        source?.close();
        source = null;
        clearTimeout(retry);
        retry = undefined;
    };

    const connect = () => {
        disconnect();
        source = new EventSource(withFrame('/api/v1/live'));
        source.onopen = () => {
            failures = 0;
            void catchUp();
        };
        source.onmessage = ({ data }: MessageEvent<string>) => {
            const fresh = takeNew([JSON.parse(data) as Mark]);
            if (fresh.length > 0) changed(fresh);
        };
        source.onerror = () => {
            disconnect();
            failures += 1;
            // Refused at once after it ended: one may be signed out, which is told to whoever asks.
            if (position === undefined || failures === 2) void catchUp();
            // A connection ends where one may see something else from now on, and after an hour. All others’ may end with it.
            retry = setTimeout(() => {
                if (failures > 2) void catchUp();
                connect();
            }, failures === 1 ? between(0, SPREAD) : between(SLOW * 0.75, SLOW * 1.25));
        };
    };

    const look = () => {
        clearTimeout(leave);
        if (document.visibilityState === 'hidden') leave = setTimeout(disconnect, AWAY);
        else if (source === null && retry === undefined) connect();
    };

    document.addEventListener('visibilitychange', look);
    window.addEventListener('online', connect);
    look();
    return {
        again: () => {
            if (failures > 0 && document.visibilityState !== 'hidden') connect();
        },
        stop: () => {
            document.removeEventListener('visibilitychange', look);
            window.removeEventListener('online', connect);
            clearTimeout(leave);
            disconnect();
        },
    };
}
