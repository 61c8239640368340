export type End = 'start' | 'end';

/** How far from where it begins and where it ends an event can be taken by that end, in pixels. The tail that is cut out of a ribbon is not its end yet. */
const REACH = { days: { start: 5, end: 8 }, hours: { start: 4, end: 6 } };
const TAIL = 18;
/** So far beside a bar it is still meant. */
const BESIDE = 3;

/** Which end of an event a point of the screen takes, if either. */
export function endAt(face: HTMLElement, x: number, y: number): End | undefined {
    const { resizes, begins, ends } = face.dataset;
    if (resizes !== 'days' && resizes !== 'hours') return undefined;
    const box = face.getBoundingClientRect();
    if (x < box.left - BESIDE || x > box.right + BESIDE || y < box.top || y > box.bottom) return undefined;
    const [along, length] = resizes === 'days' ? [x - box.left, box.width] : [y - box.top, box.height];
    const reach = face.classList.contains('ribbon') ? { ...REACH.days, end: TAIL } : REACH[resizes];
    if (ends !== undefined && length - along <= reach.end) return 'end';
    return begins !== undefined && along <= reach.start ? 'start' : undefined;
}
