import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { rereading } from './rereading';
import { watchChanges } from './watchChanges';

/** Keeps what is on screen as others leave it. */
export function useChanges(): void {
    const client = useQueryClient();
    useEffect(() => watchChanges({ changed: rereading(client) }), [client]);
}
