import type { CSSProperties, KeyboardEvent, ReactNode, Ref } from 'react';

type Props = { label: string; kind: 'lanes' | 'month' | 'hours'; style: CSSProperties; ref?: Ref<HTMLDivElement>; children: ReactNode };

/** The sheet as a grid: one stop for the Tab key, from which the arrow keys lead to its days. */
export function Grid({ label, kind, style, ref, children }: Props) {
    const onKeyDown = (event: KeyboardEvent<HTMLDivElement>) => {
        if (event.target !== event.currentTarget || !event.key.startsWith('Arrow')) return;
        event.preventDefault();
        event.currentTarget.querySelector<HTMLElement>('[data-cell="0:0"]')?.focus();
    };
    return (
        <div ref={ref} role="grid" tabIndex={0} aria-label={`${label}. Arrow keys go from day to day, Enter adds an event.`} className={`sheet ${kind}`} style={style} onKeyDown={onKeyDown}>
            {children}
        </div>
    );
}
