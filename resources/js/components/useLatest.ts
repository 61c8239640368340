import { useEffect, useRef, type RefObject } from 'react';

/** What a component was given last, for listeners that are set once. */
export function useLatest<Value>(value: Value): RefObject<Value> {
    const latest = useRef(value);
    useEffect(() => {
        latest.current = value;
    });
    return latest;
}
