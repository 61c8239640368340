import { useEffect, useState } from 'react';
import { lazily } from '@/components/lazily';
import { bringIn, onBringIn, type Given } from './bringIn';

const BringInDialog = lazily(() => import('./BringInDialog'), 'BringInDialog');

/** Wherever one is: takes what is dropped, and what is asked to be brought in. */
export function BringInHost() {
    const [asked, setAsked] = useState<(Given & { number: number }) | null>(null);
    const isOver = useDroppedFiles();
    useEffect(() => onBringIn((given) => setAsked((before) => ({ ...given, number: (before?.number ?? 0) + 1 }))), []);
    const next = (into: string) => {
        const [given, ...more] = asked?.more ?? [];
        if (given === undefined) setAsked(null);
        else bringIn({ given, more, into });
    };
    return (
        <>
            {isOver && (
                <p role="status" className="pointer-events-none fixed inset-3 z-50 grid place-items-center border-4 border-dashed border-ink bg-paper/80 text-xl font-semibold">
                    Let go to see what it would bring in
                </p>
            )}
            {asked !== null && <BringInDialog key={asked.number} asked={asked} onNext={next} onClose={() => setAsked(null)} />}
        </>
    );
}

/** Whether files are held over the window; what is let go is to be brought in, one after the other, unless something beneath takes it itself. */
function useDroppedFiles(): boolean {
    const [isOver, setOver] = useState(false);
    useEffect(() => {
        const holds = (event: DragEvent) => event.dataTransfer?.types.includes('Files') === true;
        const over = (event: DragEvent) => {
            if (event.defaultPrevented || !holds(event)) return;
            // Else the browser would leave the page for the file.
            event.preventDefault();
            setOver(true);
        };
        const leave = (event: DragEvent) => {
            if (event.relatedTarget === null) setOver(false);
        };
        const drop = (event: DragEvent) => {
            setOver(false);
            const [given, ...more] = event.dataTransfer?.files ?? [];
            if (event.defaultPrevented || given === undefined) return;
            event.preventDefault();
            bringIn({ given, more });
        };
        window.addEventListener('dragover', over);
        window.addEventListener('dragleave', leave);
        window.addEventListener('drop', drop);
        return () => {
            window.removeEventListener('dragover', over);
            window.removeEventListener('dragleave', leave);
            window.removeEventListener('drop', drop);
        };
    }, []);
    return isOver;
}
