/** What can be picked, in minutes before the start. */
export const OFFERED = [0, 10, 30, 60, 120, 1440, 2880, 10_080];

/** How long before an event a reminder comes, in words. */
export function reminderWords(minutes: number): string {
    if (minutes === 0) return 'when it starts';
    const [count, unit] = minutes % 10_080 === 0 ? [minutes / 10_080, 'week'] : minutes % 1440 === 0 ? [minutes / 1440, 'day'] : minutes % 60 === 0 ? [minutes / 60, 'hour'] : [minutes, 'minute'];
    return `${count} ${unit}${count === 1 ? '' : 's'} before`;
}

/** The same where there is a way to it: what is less than a day comes so long before one leaves. */
export function leavingWords(minutes: number): string {
    return minutes === 0 ? 'when I have to leave' : `${reminderWords(minutes)}${minutes < 1440 ? ' I leave' : ''}`;
}

/** Days from the start of an event, in words. */
export function dueWords(days: number): string {
    if (days === 0) return 'on the day';
    const count = Math.abs(days);
    return `${count} ${count === 1 ? 'day' : 'days'} ${days < 0 ? 'before' : 'after'}`;
}
