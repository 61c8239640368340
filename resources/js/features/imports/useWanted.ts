import { useState } from 'react';

/** Whether something is ticked: as one has just said, until the answer to that is there. */
export function useWanted(answered: boolean, isAsking: boolean, ask: (wanted: boolean) => void) {
    const [wanted, setWanted] = useState<boolean | null>(null);
    return {
        checked: isAsking && wanted !== null ? wanted : answered,
        disabled: isAsking,
        onChange: ({ target }: { target: HTMLInputElement }) => {
            setWanted(target.checked);
            ask(target.checked);
        },
    };
}
