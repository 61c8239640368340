import { useCallback, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { fetchUncancelled } from '@/api/fetchUncancelled';
import { queryKeys } from '@/api/queryKeys';
import { lazily } from '@/components/lazily';
import type { Item } from '@/features/sheet/geometry';
import type { Rota } from '@/features/sheet/RotaContext';
import type { RotaSearch } from '@/features/sheet/rotaSearch';
import { focusAfter } from '@/features/sheet/sheetFocus';
import { toast } from '@/toast/toast';
import { fetchEvent, useEventActions } from './useEventActions';
import { following, type Scope } from './scope';

const SeriesQuestion = lazily(() => import('./SeriesQuestion'), 'SeriesQuestion');

/** Deletes an event from the sheet itself; of a series it asks first which times are meant. */
export function useDeletion(search: RotaSearch, go: Rota['go']) {
    const { remove } = useEventActions();
    const { mutate } = remove;
    const client = useQueryClient();
    const [series, setSeries] = useState<Item | null>(null);
    const drop = useCallback(
        (item: Item, scope: Scope) => {
            // The version that is deleted is the one that there is now.
            void fetchUncancelled(client, { queryKey: queryKeys.event(item.id, scope, undefined), queryFn: () => fetchEvent(item.id, scope), staleTime: 0 })
                .then((event) => {
                    if (!event.mayChange) return toast.error(`You may not delete “${item.title}”.`);
                    focusAfter(item.id);
                    mutate({ event, scope }, { onSuccess: () => search.event === item.id && go({ event: undefined, occurrence: undefined }) });
                })
                .catch(() => toast.error(`“${item.title}” is not there any more.`));
        },
        [client, mutate, search.event, go],
    );
    const deleteItem = useCallback(
        (item: Item) => {
            if (item.repeats) setSeries(item);
            else drop(item, null);
        },
        [drop],
    );
    const deletionQuestion = series !== null && (
        <SeriesQuestion
            doing="delete"
            id={series.id}
            occurrence={series.occurrence}
            title={`Delete “${series.title}”`}
            onClose={() => setSeries(null)}
            onOne={() => drop(series, series.occurrence)}
            onFollowing={() => drop(series, following(series.occurrence ?? ''))}
            onAll={() => drop(series, null)}
        />
    );
    return { deleteItem, deletionQuestion };
}
