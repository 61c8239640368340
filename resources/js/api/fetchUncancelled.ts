import { CancelledError, type FetchQueryOptions, type QueryClient, type QueryKey } from '@tanstack/react-query';

/**
 * Asks for what something is about to be done with. What is on its way already may be broken off by whoever asked for it first (they
 * look at something else by now, or at a newer state); then it is asked for anew.
 */
export async function fetchUncancelled<Answer, Key extends QueryKey>(client: QueryClient, query: FetchQueryOptions<Answer, Error, Answer, Key>): Promise<Answer> {
    for (;;) {
        try {
            return await client.fetchQuery(query);
        } catch (error) {
            if (!(error instanceof CancelledError)) throw error;
        }
    }
}
