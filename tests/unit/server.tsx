import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { vi } from 'vitest';
import type { Schemas } from '@/api/client';

export type Asked = { method: string; path: string; query: URLSearchParams; body: unknown; headers: Headers };
type Answer = { status?: number; body?: unknown; headers?: Record<string, string> } | 'lost' | 'never';

/** Stands in for the server: answers each operation as told, and keeps what was asked. */
export function fakeServer(answer: (asked: Asked) => Answer): Asked[] {
    const all: Asked[] = [];
    vi.spyOn(globalThis, 'fetch').mockImplementation(async (input) => {
        const request = input as Request;
        const url = new URL(request.url);
        const text = await request.clone().text();
        const asked: Asked = { method: request.method, path: url.pathname.replace('/api/v1', ''), query: url.searchParams, body: text === '' ? null : bodyOf(request, text), headers: request.headers };
        all.push(asked);
        const told = answer(asked);
        if (told === 'lost') throw new TypeError('Failed to fetch');
        if (told === 'never') return new Promise<Response>(() => undefined);
        const { status = 200, body = null, headers = {} } = told;
        return new Response(status === 204 ? null : JSON.stringify(body), { status, headers });
    });
    return all;
}

/** What is sent as JSON; of a form with a file or a long text in it, all of it as text. */
function bodyOf(request: Request, text: string): unknown {
    return request.headers.get('content-type')?.startsWith('multipart/form-data') === true ? text : (JSON.parse(text) as unknown);
}

/** What surrounds hooks that ask the server. */
export function withQueries(client = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Infinity } } })) {
    const wrapper = ({ children }: { children: ReactNode }) => <QueryClientProvider client={client}>{children}</QueryClientProvider>;
    return { client, wrapper };
}

/** A job as the server tells of it. */
export function job(more: Partial<Schemas['Job']>): Schemas['Job'] {
    return { id: null, kind: 'import', title: 'a.ics', state: 'done', done: 0, total: 0, operation: null, events: null, counts: null, calendar: null, hasFile: false, found: null, problem: null, ...more };
}
