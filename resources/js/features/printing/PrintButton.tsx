import { Printer } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Button } from '@/components/Button';
import { lazily } from '@/components/lazily';

const PrintDialog = lazily(() => import('./PrintDialog'), 'PrintDialog');

/** Prints the sheet, asked for here or as any page is; a page as the browser would print it has half a sheet on it. */
export function PrintButton() {
    const [printing, setPrinting] = useState(false);
    useEffect(() => {
        const onKey = (event: KeyboardEvent) => {
            if (event.key.toLowerCase() !== 'p' || !(event.ctrlKey || event.metaKey) || event.altKey || event.shiftKey) return;
            event.preventDefault();
            setPrinting(true);
        };
        document.addEventListener('keydown', onKey);
        return () => document.removeEventListener('keydown', onKey);
    }, []);
    return (
        <>
            <Button className="border-line px-1.5 max-sm:hidden" onClick={() => setPrinting(true)} aria-label="Print…" title="Print… (Ctrl P)">
                <Printer size={15} aria-hidden="true" />
            </Button>
            {printing && <PrintDialog onClose={() => setPrinting(false)} />}
        </>
    );
}
