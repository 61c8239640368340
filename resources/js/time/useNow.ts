import { useEffect, useState } from 'react';
import { wallNow } from './dates';

/** The wall time in a zone, told anew each minute. */
export function useNow(zone: string): string {
    const [now, setNow] = useState(() => wallNow(zone));
    useEffect(() => {
        const timer = setInterval(() => setNow(wallNow(zone)), 15_000);
        return () => clearInterval(timer);
    }, [zone]);
    return now;
}
