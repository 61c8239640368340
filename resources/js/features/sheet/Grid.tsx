import type { CSSProperties, ReactNode, Ref } from 'react';

type Props = { label: string; kind: 'lanes' | 'month' | 'hours'; style: CSSProperties; rowCount?: number; ref?: Ref<HTMLDivElement>; children: ReactNode };

/** The sheet as a grid: one stop for the Tab key, from which the arrow keys lead to its days. */
export function Grid({ label, kind, style, rowCount, ref, children }: Props) {
    return (
        <div ref={ref} role="grid" tabIndex={0} aria-rowcount={rowCount} aria-label={`${label}. Arrow keys go from day to day, Enter adds an event, Page up and Page down go to other days.`} className={`sheet ${kind}`} style={style}>
            {children}
        </div>
    );
}
