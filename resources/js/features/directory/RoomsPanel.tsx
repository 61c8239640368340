import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { useState } from 'react';
import { toast } from '@/toast/toast';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { TextField } from '@/components/Field';
import { Section } from '@/components/Page';
import { PartyLink } from './PartyLink';

type Room = Schemas['Room'];

/** The rooms that can be named for events: seen by everyone, kept by administrators and coordinators. */
export function RoomsPanel({ mayChange }: { mayChange: boolean }) {
    const rooms = useQuery({ queryKey: queryKeys.rooms, queryFn: ({ signal }) => answered(api.GET('/rooms', { signal })) });
    const [name, setName] = useState('');
    const add = useAction((called: string) => answered(api.POST('/rooms', { body: { name: called } })), { quiet: true, onDone: () => setName('') });
    const remove = useAction((room: Room) => answered(api.DELETE('/rooms/{id}', { params: { path: { id: room.id } } })), {
        onDone: (_, room) => void toast(`${room.name} is off the list; events that name it keep its name.`, { action: { label: 'Undo', onClick: () => add.mutate(room.name) } }),
    });
    if (rooms.data === undefined || (rooms.data.length === 0 && !mayChange)) return null;
    return (
        <Section title="Rooms" about="A room can take part in an event like a person: it is found by its name in the form and in one line.">
            <ul className="flex flex-wrap gap-1.5">
                {rooms.data.map((room) => (
                    <li key={room.id} className="flex min-h-7 items-center border border-line bg-sheet px-2">
                        <PartyLink kind="room" id={room.id}>
                            {room.name}
                        </PartyLink>
                        {mayChange && (
                            <button type="button" className="hit -mr-1.5 justify-center" aria-label={`Take ${room.name} off the list`} onClick={() => remove.mutate(room)}>
                                <X size={13} />
                            </button>
                        )}
                    </li>
                ))}
            </ul>
            {mayChange && (
                <form
                    className="mt-3 flex max-w-sm items-end gap-2"
                    onSubmit={(event) => {
                        event.preventDefault();
                        add.mutate(name);
                    }}
                >
                    <TextField label="Another room" fieldClassName="flex-1" maxLength={120} value={name} error={problemOf(add)?.field('name')} onChange={(event) => setName(event.target.value)} />
                    <Button type="submit" disabled={add.isPending}>
                        Add it
                    </Button>
                </form>
            )}
        </Section>
    );
}
