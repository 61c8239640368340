import { between, SPREAD } from './spread';

/** In milliseconds: an answer that takes longer says that too many ask. */
const SLOW = 400;

const MOST = 10_000;

/**
 * How soon one asks anew. All who are told of a change at once spread over two seconds; where answers become slow, each
 * asks less often, until they are not: what comes meanwhile is had by one answer.
 */
export class Pace {
    private gap = 0;
    private last = -Infinity;

    /** @returns milliseconds from now */
    wait(): number {
        return Math.max(between(0, SPREAD), this.last + this.gap - performance.now());
    }

    /** @returns to be called when it is answered */
    begin(): () => void {
        const begun = performance.now();
        return () => {
            this.last = performance.now();
            this.gap = this.last - begun > SLOW ? Math.min(MOST, Math.max(SPREAD, this.gap * 1.3)) : this.gap * 0.9;
        };
    }
}
