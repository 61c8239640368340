import { Paperclip, X } from 'lucide-react';
import { useRef } from 'react';
import { api, type Done, done, fileForm, type Schemas } from '@/api/client';
import { withFrame } from '@/api/frame';
import { problemOf, useAction } from '@/api/useAction';
import { useTellDone } from '@/features/history/useTellDone';

type Event = Schemas['Event'];

/** Files that hang on an event. */
export function EventFiles({ event }: { event: Event }) {
    const tellDone = useTellDone();
    const input = useRef<HTMLInputElement>(null);
    const said = ({ operation }: Done<unknown>, words: string) => tellDone(operation, words);
    const attach = useAction(
        (file: File) => done(api.POST('/events/{id}/attachments', { params: { path: { id: event.id } }, body: fileForm(file) })),
        { quiet: true, changes: 'events', onDone: (done) => said(done, `“${done.answer.name}” is attached.`) },
    );
    const detach = useAction((file: Schemas['Attachment']) => done(api.DELETE('/events/{id}/attachments/{attachment}', { params: { path: { id: event.id, attachment: file.id } } })), { changes: 'events', onDone: (done, file) => said(done, `“${file.name}” is taken off.`) });
    if (event.attachments.length === 0 && !event.mayChange) return null;
    const problem = problemOf(attach);
    return (
        <section aria-label="Files" className="mt-3 border-t border-line pt-2.5">
            {event.attachments.length > 0 && (
                <ul className="mb-1.5 flex flex-col gap-1">
                    {event.attachments.map((file) => (
                        <li key={file.id} className="flex items-center gap-1.5">
                            <Paperclip size={12} aria-hidden="true" className="shrink-0 text-soft" />
                            <a className="min-w-0 flex-1 truncate py-1 underline pointer-coarse:py-3.5" href={withFrame(`/api/v1/events/${event.id}/attachments/${file.id}`)} download={file.name}>
                                {file.name}
                            </a>
                            <span className="text-xs text-soft">{sized(file.size)}</span>
                            {event.mayChange && (
                                <button type="button" className="grid size-6 place-items-center pointer-coarse:size-11" aria-label={`Take ${file.name} off`} disabled={detach.isPending} onClick={() => detach.mutate(file)}>
                                    <X size={13} />
                                </button>
                            )}
                        </li>
                    ))}
                </ul>
            )}
            {event.mayChange && (
                <>
                    <button type="button" className="hit text-soft underline hover:text-ink" disabled={attach.isPending} onClick={() => input.current?.click()}>
                        {attach.isPending ? 'attaching…' : 'attach a file…'}
                    </button>
                    <input
                        ref={input}
                        type="file"
                        aria-label="File to attach"
                        className="sr-only"
                        tabIndex={-1}
                        onChange={(chosen) => {
                            const file = chosen.target.files?.[0];
                            if (file !== undefined) attach.mutate(file);
                            chosen.target.value = '';
                        }}
                    />
                    {problem !== null && (
                        <p role="alert" className="mt-1 text-xs font-semibold text-pin-ink">
                            {problem.field('file') ?? `${problem.message} ${problem.detail}`}
                        </p>
                    )}
                </>
            )}
        </section>
    );
}

function sized(octets: number): string {
    return octets < 1024 ? `${octets} B` : octets < 1024 * 1024 ? `${Math.round(octets / 1024)} kB` : `${(octets / 1024 / 1024).toFixed(1)} MB`;
}
