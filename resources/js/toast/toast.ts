import type { ExternalToast, toast as Sonner } from 'sonner';

/** Says in a few words what was done, or why it was not; what draws them is loaded when there is something to say. */
export function toast(words: string, more?: ExternalToast): void {
    void import('sonner').then(({ toast: tell }: { toast: typeof Sonner }) => tell(words, more));
}

toast.error = (words: string, more?: ExternalToast): void => {
    void import('sonner').then(({ toast: tell }: { toast: typeof Sonner }) => tell.error(words, more));
};
