import { useEffect } from 'react';
import { Toaster } from 'sonner';

/** Where is told what was done. */
export function Toasts() {
    useLeaving();
    return (
        <Toaster
            // Over the ruler: the sheet itself, and what was just put on it, stays in sight.
            position="top-center"
            offset={{ top: 64 }}
            mobileOffset={{ top: 64 }}
            expand
            visibleToasts={4}
            toastOptions={{
                unstyled: true,
                duration: 8000,
                classNames: {
                    toast: 'flex w-full items-center gap-3 border border-ink bg-ink text-paper px-3.5 py-2.5 shadow-(--shadow) text-[13px]',
                    description: 'opacity-80',
                    cancelButton: 'ml-auto min-h-6 shrink-0 cursor-pointer whitespace-nowrap pointer-coarse:min-h-11 pointer-coarse:px-1',
                    actionButton: 'ml-auto min-h-6 shrink-0 cursor-pointer border border-current px-2 py-0.5 font-semibold whitespace-nowrap pointer-coarse:min-h-11 pointer-coarse:min-w-11',
                    error: '!bg-sheet !text-ink !border-pin border-l-4',
                },
            }}
        />
    );
}

/**
 * A notice that is taken away under the pointer, or while it is pressed, was never left: the others would wait for that, and lie over the page
 * for as long. Wherever else the pointer is, it has left them.
 */
function useLeaving(): void {
    useEffect(() => {
        const elsewhere = ({ type, target }: Event) => {
            for (const list of document.querySelectorAll('[data-sonner-toaster]')) {
                if (target instanceof Node && list.contains(target)) continue;
                if (type === 'pointerup') list.dispatchEvent(new Event('pointerup', { bubbles: true }));
                list.dispatchEvent(new Event('dragend', { bubbles: true }));
            }
        };
        window.addEventListener('pointerover', elsewhere);
        window.addEventListener('pointerup', elsewhere);
        return () => {
            window.removeEventListener('pointerover', elsewhere);
            window.removeEventListener('pointerup', elsewhere);
        };
    }, []);
}
