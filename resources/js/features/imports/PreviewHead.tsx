import type { ReactNode } from 'react';
import type { Preview } from './useImport';

type Props = { preview: Preview; /** What it is, behind its name. */ kind?: string; /** What is counted besides. */ more: ReactNode; actions: ReactNode };

/** What is brought in, how much of it is new, and what can be done with it. */
export function PreviewHead({ preview: { fileName, counts }, kind, more, actions }: Props) {
    return (
        <header className="flex flex-wrap items-center gap-3 border-b border-line p-3">
            <p className="min-w-0 flex-1">
                <b className="font-semibold">{fileName}</b>
                {kind !== undefined && `, ${kind}`}
                <span className="block text-soft">
                    {counts.added} new, {counts.changed} changed, {counts.unchanged} already there
                    {counts.removed > 0 && `, ${counts.removed} to be taken away`}
                    {more}
                </span>
            </p>
            <div className="flex gap-1.5">{actions}</div>
        </header>
    );
}
