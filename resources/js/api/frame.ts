/** The key of the frame on another site in which the application was opened; null in a window of its own. */
export const frameKey: string | null = document.getElementById('application')?.dataset.frame ?? null;

/** By which the API knows of it: it has a session of the frame alone. */
export const FRAME_HEADER = 'X-Rota-Frame';

/** An address of the API that the browser asks itself, without headers of ours. */
export function withFrame(address: string): string {
    return frameKey === null ? address : `${address}${address.includes('?') ? '&' : '?'}frame=${frameKey}`;
}
