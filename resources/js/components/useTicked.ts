import { useState } from 'react';

/**
 * Whether something is ticked: as one has just said, at once, until something else is told of it. Where it is not taken, it is as it was.
 */
export function useTicked(told: boolean, take: (ticked: boolean) => Promise<boolean>) {
    const [said, setSaid] = useState<{ ticked: boolean; over: boolean } | null>(null);
    // Once something else is told, that holds, whatever is told after it.
    if (said !== null && said.over !== told) setSaid(null);
    return {
        checked: said?.ticked ?? told,
        onChange: ({ target: { checked } }: { target: { checked: boolean } }) => {
            setSaid({ ticked: checked, over: told });
            void take(checked).then((isTaken) => {
                if (!isTaken) setSaid(null);
            });
        },
    };
}

/** Whether something that is asked for is done: who asks is told elsewhere why it is not. */
export function isDone(asked: Promise<unknown>): Promise<boolean> {
    return asked.then(
        () => true,
        () => false,
    );
}
