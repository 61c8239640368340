import clsx from 'clsx';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Mark } from '@/components/Mark';
import { formatDate, timeOfDay } from '@/time/dates';
import { pageRule, printable, setPrinting, usePrinting } from '@/features/sheet/printing';
import { isThroughOverlay } from '@/features/sheet/rotaSearch';
import { useRota } from '@/features/sheet/RotaContext';
import { useSheetHeading } from '@/features/sheet/useSheetHeading';
import { useOverlays } from '@/features/overlays/useOverlays';

/** What the title and the key take of a page. */
const AROUND = 112;

/**
 * Around the sheet: nothing on the screen. On paper its title, its key and when it was printed; as wide as the page and,
 * where it would be longer than one, smaller.
 */
export function PrintFrame({ children }: { children: ReactNode }) {
    const page = usePrinting();
    const rota = useRota();
    const box = useRef<HTMLDivElement>(null);
    const [fitted, setFitted] = useState({ page, zoom: 1 });
    const zoom = fitted.page === page ? fitted.zoom : 1;
    const { width, height } = page === null ? { width: 0, height: 0 } : printable(page);
    const onOnePage = rota.view !== 'list';
    useEffect(() => {
        const sheet = box.current;
        if (page === null || !onOnePage || sheet === null) return;
        // Smaller makes it wider, so that lines break less: a few steps come close enough.
        const observer = new ResizeObserver(() => {
            const fit = height / zoom / sheet.scrollHeight;
            if (fit < 1 && zoom > 0.25) setFitted({ page, zoom: zoom * Math.min(fit, 0.99) });
        });
        observer.observe(sheet);
        return () => observer.disconnect();
    }, [page, onOnePage, height, zoom]);
    useEffect(() => {
        if (page === null) return;
        const root = document.documentElement;
        const theme = root.dataset.theme;
        root.dataset.printing = '';
        root.dataset.theme = 'light';
        const rule = document.head.appendChild(document.createElement('style'));
        rule.textContent = pageRule(page);
        const done = () => setPrinting(null);
        window.addEventListener('afterprint', done);
        // Once it is laid out anew.
        const timer = setTimeout(() => window.print(), 500);
        return () => {
            clearTimeout(timer);
            window.removeEventListener('afterprint', done);
            rule.remove();
            delete root.dataset.printing;
            if (theme === undefined) delete root.dataset.theme;
            else root.dataset.theme = theme;
        };
    }, [page]);
    return (
        <div
            ref={box}
            className={clsx(page === null ? 'contents' : 'paper-sheet')}
            style={page === null ? undefined : { width: width / zoom, zoom, ['--paper-height' as string]: `${height / zoom - AROUND}px` }}
        >
            {page !== null && <PaperTitle />}
            {children}
            {page !== null && <PaperKey />}
        </div>
    );
}

function PaperTitle() {
    const rota = useRota();
    const heading = useSheetHeading();
    const overlays = useOverlays();
    const name = isThroughOverlay(rota.search) ? (overlays.data?.find((each) => each.slug === rota.overlay)?.name ?? 'My list') : rota.sheet?.layers[0]?.name;
    return (
        <header className="flex items-baseline gap-4 border-b-2 border-ink pb-1">
            <p className="font-serif text-2xl font-semibold">{name}</p>
            <p className="font-serif text-lg">{heading}</p>
            <p className="ml-auto text-xs">
                Printed {formatDate(rota.now, 'long')} {rota.now.slice(0, 4)}, {timeOfDay(rota.now)}
            </p>
        </header>
    );
}

function PaperKey() {
    const rota = useRota();
    return (
        <ul aria-label="Key" className="flex flex-wrap gap-x-5 gap-y-1 border-t-2 border-ink pt-1.5 text-xs">
            {rota.sheet?.layers.map((layer, index) =>
                rota.hidden.has(index) ? null : (
                    <li key={`${index}:${layer.name}`} className="flex items-center gap-1.5">
                        <Mark mark={layer.mark} ink={layer.colour} size={11} />
                        <span data-ink={layer.colour} data-pattern={layer.pattern === 'plain' ? undefined : layer.pattern} className="patterned inline-block h-3 w-5 border border-ink" />
                        {layer.name}
                    </li>
                ),
            )}
        </ul>
    );
}
