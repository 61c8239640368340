import { useQuery } from '@tanstack/react-query';
import { useId } from 'react';
import { useFormContext } from 'react-hook-form';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { TextField } from '@/components/Field';
import type { EventValues } from './eventValues';

/** Where an event is: typed, or one of the rooms and places that are in use. */
export function PlaceField({ error }: { error: string | undefined }) {
    const id = useId();
    const { register } = useFormContext<EventValues>();
    const places = useQuery({ queryKey: queryKeys.places, queryFn: ({ signal }) => answered(api.GET('/places', { signal })) });
    return (
        <>
            <TextField label="Place" list={id} autoComplete="off" error={error} {...register('place')} />
            <datalist id={id}>
                {places.data?.places.map((place) => (
                    <option key={place} value={place} />
                ))}
            </datalist>
        </>
    );
}
