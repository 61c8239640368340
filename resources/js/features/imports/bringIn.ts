export type Given = {
    /** What is to be brought in, where that is known already. */
    given?: File | string;
    /** What comes after it, one by one: each is looked at by itself. */
    more?: File[];
    /** The calendar that was chosen for what came before it. */
    into?: string;
};

const ASKED = 'bring-in';

const asking = new EventTarget();

/** Asks for the dialog by which something is brought in, from wherever one is. */
export function bringIn(given: Given = {}): void {
    asking.dispatchEvent(new CustomEvent<Given>(ASKED, { detail: given }));
}

/** Hears of it; what it answers with ends that. */
export function onBringIn(hear: (given: Given) => void): () => void {
    const heard = (event: Event) => hear((event as CustomEvent<Given>).detail);
    asking.addEventListener(ASKED, heard);
    return () => asking.removeEventListener(ASKED, heard);
}

/** Whether a text is one address of the web, and nothing else. */
export function isAddress(text: string): boolean {
    return /^(?:https?|webcals?):\/\/\S+$/i.test(text.trim());
}
