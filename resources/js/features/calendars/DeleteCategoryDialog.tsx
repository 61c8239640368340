import { useQuery } from '@tanstack/react-query';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { Loading } from '@/components/States';
import { formatDate } from '@/time/dates';
import type { Category } from './useCalendars';

type Props = { category: Category; onClose: () => void; onDelete: () => void };

/** Asks before a category is taken off all events that have it. */
export function DeleteCategoryDialog({ category, onClose, onDelete }: Props) {
    const uses = useQuery({ queryKey: queryKeys.categoryUses(category.id), queryFn: ({ signal }) => answered(api.GET('/categories/{id}/uses', { params: { path: { id: category.id } }, signal })) });
    const day = (date: string) => `${formatDate(date, 'short')} ${date.slice(0, 4)}`;
    return (
        <Dialog open onOpenChange={onClose} title={`Delete “${category.name}”`} about="Layers and feeds that ask for it find nothing any more.">
            {uses.isPending && <Loading what="where it is used" />}
            {uses.data !== undefined && (
                <p>
                    {uses.data.events === 0 || uses.data.first === null || uses.data.last === null
                        ? 'No event has it.'
                        : `${uses.data.events} ${uses.data.events === 1 ? 'event has' : 'events have'} it, from ${day(uses.data.first)} to ${day(uses.data.last)}. They stay, without it.`}
                </p>
            )}
            <div className="mt-4 flex justify-end gap-2">
                <Button onClick={onClose}>Cancel</Button>
                <Button
                    look="primary"
                    autoFocus
                    onClick={() => {
                        onDelete();
                        onClose();
                    }}
                >
                    Delete it
                </Button>
            </div>
        </Dialog>
    );
}
