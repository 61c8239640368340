import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { answered, api, Problem } from '@/api/client';
import { useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { linesOf } from '@/components/linesOf';
import { Field } from '@/components/Field';
import { useGroups } from '@/features/directory/useGroups';

/** Groups by their names, a line each; who is in which is said where groups are kept. */
export function GroupsStep({ onDone }: { onDone: () => void }) {
    const groups = useGroups();
    const [text, setText] = useState('');
    const [refused, setRefused] = useState<string | undefined>();
    const names = [...new Set(linesOf(text))];
    const make = useAction(async (wanted: string[]) => {
        const left: string[] = [];
        let why: string | undefined;
        for (const name of wanted) {
            try {
                await answered(api.POST('/groups', { body: { name } }));
            } catch (error) {
                if (!(error instanceof Problem)) throw error;
                left.push(name);
                why ??= `“${name}”: ${error.field('name') ?? error.message}`;
            }
        }
        // What could not be made stays written, to be mended.
        setText(left.join('\n'));
        setRefused(why);
        if (left.length === 0) onDone();
    });
    return (
        <form
            onSubmit={(event) => {
                event.preventDefault();
                make.mutate(names);
            }}
        >
            {(groups.data?.length ?? 0) > 0 && <p className="mb-2">There are: {groups.data?.map((each) => each.name).join(', ')}.</p>}
            <Field label="Their names, one a line" className="max-w-md" error={refused}>
                {(control) => <textarea {...control} rows={4} value={text} onChange={(event) => setText(event.target.value)} />}
            </Field>
            <div className="mt-3 flex flex-wrap items-center gap-4">
                <Button type="submit" look="primary" disabled={names.length === 0 || make.isPending}>
                    {names.length < 2 ? 'Make it' : `Make ${names.length} groups`}
                </Button>
                <Link to="/groups" className="underline">
                    Who is in which
                </Link>
            </div>
        </form>
    );
}
