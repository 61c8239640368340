import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answered, api, fileForm, Problem, type Schemas } from '@/api/client';
import { isDone } from '@/components/useTicked';
import type { Calendar } from '@/features/calendars/useCalendars';

export type Preview = Schemas['ImportPreview'];

export type Row = Preview['rows'][number];

export type Column = Preview['columns'][number];

export type Edit = Schemas['ImportInput']['edits'][number];

/** What was chosen and put right of what is brought in. */
type Choices = Schemas['ImportInput'];

const NONE: Choices = { edits: [], order: null };

/** The most that the server takes; checked here too, so that nobody waits for an upload that is refused. */
const MOST_MEGABYTES = 20;

/** Looks at what is to be brought into a calendar, and puts right what was understood of it, before anything is changed. */
export function useImport(calendar: Calendar) {
    const [choices, setChoices] = useState(NONE);
    const look = useMutation({
        mutationFn: async (given: File | string) => {
            const body = typeof given === 'string' ? textForm(given) : fileForm(await readable(given));
            return answered(api.POST('/calendars/{slug}/imports', { params: { path: { slug: calendar.slug } }, body }));
        },
        onSuccess: () => setChoices(NONE),
    });
    const put = useMutation({
        mutationFn: ({ id, next }: { id: number; next: Choices }) => answered(api.PUT('/imports/{id}', { params: { path: { id } }, body: next })),
        onSuccess: (_, { next }) => setChoices(next),
    });
    const preview = put.data?.id === look.data?.id ? (put.data ?? look.data) : look.data;
    /** Whether it was taken; why not stands in `error`. */
    const choose = (part: Partial<Choices>): Promise<boolean> => (preview === undefined ? Promise.resolve(false) : isDone(put.mutateAsync({ id: preview.id, next: { ...choices, ...part } })));
    return {
        preview,
        look: (given: File | string) => {
            put.reset();
            look.mutate(given);
        },
        /** What is put right of a row beside what was before. */
        edit: (change: Edit): Promise<boolean> => {
            const before = choices.edits.find(({ row }) => row === change.row);
            return choose({ edits: [...choices.edits.filter(({ row }) => row !== change.row), { ...before, ...change }] });
        },
        choose,
        isLooking: look.isPending,
        isPutting: put.isPending,
        error: look.error ?? put.error,
        reset: () => {
            look.reset();
            put.reset();
            setChoices(NONE);
        },
    };
}

/** A file as the server reads it: what office programs pack is opened here. */
async function readable(file: File): Promise<File> {
    if (file.size > MOST_MEGABYTES * 1024 * 1024) throw refused(`The file is larger than ${MOST_MEGABYTES} MB. Ask for a shorter span of time, or bring it in in parts.`);
    const { isPacked, opened } = await import('./office/opened');
    if (!(await isPacked(file))) return file;
    return opened(file).catch((problem: unknown) => {
        throw refused(problem instanceof Error ? problem.message : 'This file cannot be opened.');
    });
}

function refused(message: string): Problem {
    return new Problem(422, message, '', [{ field: 'file', message }], null);
}

function textForm(text: string): { text: string } {
    const form = new FormData();
    form.append('text', text);
    return form as unknown as { text: string };
}
