import type { ReactElement } from 'react';
import type { Schemas } from '@/api/client';

export type MarkName = Schemas['Calendar']['mark'];
export type Ink = Schemas['Calendar']['colour'];

/** Shapes on a 12 × 12 field, so that layers are told apart without colour. */
const SHAPES: Record<MarkName, ReactElement> = {
    disc: <circle cx="6" cy="6" r="4.6" />,
    triangle: <path d="M6 1.2 11.2 10.8H.8z" />,
    square: <rect x="1.6" y="1.6" width="8.8" height="8.8" />,
    diamond: <path d="M6 .6 11.4 6 6 11.4.6 6z" />,
    pentagon: <path d="M6 .8 11.3 4.7 9.3 11H2.7L.7 4.7z" />,
    plus: <path d="M4.2.9h3.6v3.3h3.3v3.6H7.8v3.3H4.2V7.8H.9V4.2h3.3z" />,
    waves: <path d="M.8 4.4c1.7-2.2 3.5-2.2 5.2 0s3.5 2.2 5.2 0M.8 8.6c1.7-2.2 3.5-2.2 5.2 0s3.5 2.2 5.2 0" fill="none" stroke="currentColor" strokeWidth="1.8" />,
    ring: <circle cx="6" cy="6" r="3.8" fill="none" stroke="currentColor" strokeWidth="2.2" />,
    star: <path d="m6 .6 1.6 3.6 3.9.4-2.9 2.6.8 3.9L6 9.1l-3.4 2 .8-3.9L.5 4.6l3.9-.4z" />,
    bars: <path d="M1 2h10v2.2H1zm0 3.4h10v2.2H1zm0 3.4h10V11H1z" />,
};

export type Pattern = Schemas['OverlayLayer']['pattern'];

export function Mark({ mark, ink, size = 10 }: { mark: MarkName; ink?: Ink; size?: number }) {
    return (
        <svg
            className="mark inline-block shrink-0"
            data-ink={ink}
            style={ink === undefined ? undefined : { color: 'var(--k)' }}
            width={size}
            height={size}
            viewBox="0 0 12 12"
            fill="currentColor"
            aria-hidden="true"
        >
            {SHAPES[mark]}
        </svg>
    );
}
