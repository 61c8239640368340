/** In milliseconds: within this all who are told of a change at once ask anew, each at another time. */
export const SPREAD = 2000;

/** Some time between two, in milliseconds, another for each browser. */
export function between(least: number, most: number): number {
    return least + Math.random() * (most - least);
}
