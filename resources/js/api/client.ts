import createClient, { type Middleware } from 'openapi-fetch';
import type { components, paths } from './generated/schema';
import { FRAME_HEADER, frameKey } from './frame';
import { priority } from './hurry';
import { closeKey, keyOf } from './keys';
import { noteKept } from './kept';
import { takeMarks } from './marks';

export type Schemas = components['schemas'];

type FieldProblem = Schemas['FieldProblem'];

/** An error that the API told of as a problem document (RFC 9457). */
export class Problem extends Error {
    constructor(
        readonly status: number,
        title: string,
        readonly detail: string,
        readonly fields: FieldProblem[],
        readonly current: unknown,
    ) {
        super(title);
    }

    /** The message for a field, where there is one. */
    field(name: string): string | undefined {
        return this.fields.find((each) => each.field === name)?.message;
    }
}

const KEY = 'Idempotency-Key';

/** Forms have files in them, which are not read to be compared. */
function isForm(request: Request): boolean {
    return request.headers.get('Content-Type')?.startsWith('multipart/') === true;
}

function pathOf(request: Request): string {
    return new URL(request.url).pathname;
}

/** What is refused is thrown as a problem, so that whoever asks only has the answer to look at. */
const refusals: Middleware = {
    async onRequest({ request }) {
        request.headers.set('Accept', 'application/json');
        const later = priority();
        if (later !== null) request.headers.set('Priority', later);
        if (frameKey !== null) request.headers.set(FRAME_HEADER, frameKey);
        if (request.method === 'GET') return;
        request.headers.set('X-XSRF-TOKEN', csrfToken());
        if (request.method === 'POST') request.headers.set(KEY, keyOf(pathOf(request), isForm(request) ? crypto.randomUUID() : await request.clone().text()));
    },
    async onResponse({ request, response }) {
        takeMarks(response);
        noteKept(response);
        // Of a fault in between it is not known what came of it: asked again, it is the same.
        const key = request.headers.get(KEY);
        if (key !== null && response.status < 500) closeKey(key, pathOf(request), response.ok);
        if (!response.ok) throw problemOf(response.status, await response.json().catch(() => null));
    },
    onError({ request }) {
        return request.signal.aborted ? undefined : new Problem(0, 'No connection.', 'What you typed is kept. Try again: what was saved already is not saved twice.', [], null);
    },
};

/** The operations of the API, by the paths and shapes of its description. */
export const api = createClient<paths>({ baseUrl: `${location.origin}/api/v1`, credentials: 'same-origin', querySerializer: queryString, fetch: (request) => fetch(request) });
api.use(refusals);

/** What was answered, and the operation by which it is undone as a whole, where there is one. */
export type Done<Answer> = { answer: Answer; operation: number | null };

/** Takes the answer of an operation. */
export async function answered<Answer>(asked: Promise<{ data?: Answer }>): Promise<Answer> {
    return (await asked).data as Answer;
}

/** Takes the answer of an operation that can be undone. */
export async function done<Answer>(asked: Promise<{ data?: Answer; response: Response }>): Promise<Done<Answer>> {
    const { data, response } = await asked;
    return { answer: data as Answer, operation: Number(response.headers.get('Operation')) || null };
}

/** Tells the version that a change was made from. */
export function ifMatch(version: number): { 'If-Match': string } {
    return { 'If-Match': `"${version}"` };
}

/** A file as it is sent: the description knows no type for a form. */
export function fileForm(file: File): { file: string } {
    const form = new FormData();
    form.append('file', file);
    return form as unknown as { file: string };
}

function problemOf(status: number, answer: unknown): Problem {
    const told = (answer ?? {}) as Partial<Schemas['Problem']>;
    const title = told.title ?? (status === 413 ? 'That is too large.' : 'Something went wrong.');
    return new Problem(status, title, told.detail ?? '', told.errors ?? [], told.current ?? null);
}

/** A list is told by its name again and again; yes and no are 1 and 0, which is how PHP reads them. */
export function queryString(query: Record<string, unknown>): string {
    const parameters = new URLSearchParams();
    for (const [name, value] of Object.entries(query)) {
        for (const each of Array.isArray(value) ? value : [value]) {
            if (each !== undefined && each !== null) parameters.append(name, typeof each === 'boolean' ? String(Number(each)) : String(each));
        }
    }
    return parameters.toString();
}

function csrfToken(): string {
    const name = frameKey === null ? 'XSRF-TOKEN=' : 'XSRF-TOKEN-MEMBERS=';
    const cookie = document.cookie.split('; ').find((each) => each.startsWith(name));
    return cookie === undefined ? '' : decodeURIComponent(cookie.slice(name.length));
}
