import type { ReactNode } from 'react';

/** A page of lists and forms, beside the rota itself. */
export function Page({ title, about, actions, children }: { title: string; about?: string; actions?: ReactNode; children: ReactNode }) {
    return (
        <main tabIndex={-1} className="h-full overflow-y-auto px-4 pt-5 pb-24 sm:px-8">
            <div className="mx-auto max-w-4xl">
                <header className="mb-5 flex flex-wrap items-end gap-3 border-b border-ink pb-3">
                    <div className="min-w-[min(100%,16rem)] flex-1">
                        <h1 className="text-2xl font-semibold">{title}</h1>
                        {about !== undefined && <p className="mt-1 max-w-prose text-soft">{about}</p>}
                    </div>
                    {actions}
                </header>
                {children}
            </div>
        </main>
    );
}

export function Section({ title, about, children }: { title: string; about?: string; children: ReactNode }) {
    return (
        <section className="mb-8">
            <h2 className="text-base font-semibold">{title}</h2>
            {about !== undefined && <p className="mt-0.5 max-w-prose text-soft">{about}</p>}
            <div className="mt-3">{children}</div>
        </section>
    );
}
