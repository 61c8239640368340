import { vi } from 'vitest';
import type { Mark } from '@/api/marks';

/** A connection on which a server tells of changes, as the browser has it. */
export class FakeEventSource {
    static all: FakeEventSource[] = [];

    onopen: (() => void) | null = null;
    onmessage: ((event: { data: string }) => void) | null = null;
    onerror: (() => void) | null = null;
    closed = false;

    constructor(readonly url: string) {
        FakeEventSource.all.push(this);
    }

    close(): void {
        this.closed = true;
    }

    tell(mark: Mark): void {
        this.onmessage?.({ data: JSON.stringify(mark) });
    }

    /** The one that is open. */
    static get open(): FakeEventSource | undefined {
        return FakeEventSource.all.find((each) => !each.closed);
    }

    static install(): void {
        FakeEventSource.all = [];
        vi.stubGlobal('EventSource', FakeEventSource);
    }
}

let count = 0;

/** A change of events on some days, or on any. */
export function eventMark(firstDay: string | null = null, lastDay = firstDay): Mark {
    return { mark: `mark-${++count}`, calendar: 'slipway', firstDay, lastDay };
}

export function accessMark(): Mark {
    return { mark: `mark-${++count}`, calendar: null, firstDay: null, lastDay: null };
}

/** Says that the page is looked at, or is not. */
export function look(state: 'visible' | 'hidden'): void {
    vi.spyOn(document, 'visibilityState', 'get').mockReturnValue(state);
    document.dispatchEvent(new Event('visibilitychange'));
}
