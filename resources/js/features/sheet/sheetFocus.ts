import { epochNow } from '@/time/dates';

/** Where the focus goes once the sheet shows it: to an event, or to a cell. */
let wanted: { selector: string; since: number } | null = null;

let opener: HTMLElement | null = null;

/** What does not show within so many milliseconds is not in view. */
const PATIENCE = 5_000;

/** Takes the focus to an event as soon as the sheet shows it. */
export function focusEvent(id: number): void {
    want(`[data-item][data-id="${id}"]`);
}

/** Takes it to one occurrence in one layer. */
export function focusItem(key: string): void {
    want(`[data-item="${key}"]`);
}

/** Takes it to a cell of the sheet by its place. */
export function focusCell(place: string): void {
    want(`[data-cell="${place}"]`);
}

/** Takes it to the event after one that is about to go; to the one before where it is the last. */
export function focusAfter(id: number): void {
    const faces = [...document.querySelectorAll<HTMLElement>('[data-item]')];
    const at = faces.findIndex((face) => face.dataset.id === String(id));
    const next = faces.slice(at + 1).find((face) => face.dataset.id !== String(id)) ?? faces.slice(0, Math.max(at, 0)).findLast((face) => face.dataset.id !== String(id));
    if (next === undefined) return focusSheet();
    want(`[data-item="${next.dataset.item}"]`);
}

/** Notes from where something is opened, so that closing it leads back. */
export function noteOpener(): void {
    const at = document.activeElement;
    opener = at instanceof HTMLElement && at !== document.body && at.closest('[aria-label="Event"]') === null ? at : null;
}

/** Leads back to where something was opened from. */
export function focusOpener(): void {
    if (opener?.isConnected === true) return opener.focus();
    const { item, cell } = opener?.dataset ?? {};
    const same = item === undefined ? (cell === undefined ? null : `[data-cell="${cell}"]`) : `[data-item="${item}"]`;
    const found = same === null ? null : document.querySelector<HTMLElement>(same);
    if (found !== null) found.focus();
    else focusSheet();
}

export function focusSheet(): void {
    (document.querySelector<HTMLElement>('[role=grid]') ?? document.querySelector('main'))?.focus();
}

/** To be asked whenever the sheet has changed. */
export function settleFocus(sheet: HTMLElement): void {
    if (wanted === null) return;
    // Whoever has gone on to something else meanwhile is left there.
    const idle = document.activeElement === document.body || document.activeElement === null || sheet.contains(document.activeElement);
    if (!idle || epochNow() - wanted.since > PATIENCE) {
        wanted = null;
        return;
    }
    const face = sheet.querySelector<HTMLElement>(wanted.selector);
    if (face === null) return;
    face.focus();
    wanted = null;
}

function want(selector: string): void {
    wanted = { selector, since: epochNow() };
}
