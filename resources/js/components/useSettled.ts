import { useEffect, useState } from 'react';

/** A value once it has not changed for so many milliseconds. */
export function useSettled<Value>(value: Value, milliseconds: number): Value {
    const [settled, setSettled] = useState(value);
    useEffect(() => {
        const timer = setTimeout(() => setSettled(value), milliseconds);
        return () => clearTimeout(timer);
    }, [value, milliseconds]);
    return settled;
}
