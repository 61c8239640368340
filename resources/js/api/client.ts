import type { components } from './generated/schema';

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

type Options = {
    query?: Record<string, string | string[] | undefined>;
    body?: unknown;
    /** The version that the change was made from. */
    version?: number;
    signal?: AbortSignal;
};

export async function api<Answer>(method: string, path: string, options: Options = {}): Promise<Answer> {
    return (await send<Answer>(method, path, options)).answer;
}

/** What was answered, and the operation by which it is undone as a whole, where there is one. */
export type Done<Answer> = { answer: Answer; operation: number | null };

/** Changes something that can be undone. */
export function change<Answer>(method: string, path: string, options: Options = {}): Promise<Done<Answer>> {
    return send<Answer>(method, path, options);
}

async function send<Answer>(method: string, path: string, { query, body, version, signal }: Options): Promise<Done<Answer>> {
    const isForm = body instanceof FormData;
    const response = await fetch(`/api/v1${path}${queryString(query)}`, {
        method,
        credentials: 'same-origin',
        signal: signal ?? null,
        headers: {
            Accept: 'application/json',
            ...(method === 'GET' ? {} : { 'X-XSRF-TOKEN': csrfToken() }),
            ...(body === undefined || isForm ? {} : { 'Content-Type': 'application/json' }),
            ...(version === undefined ? {} : { 'If-Match': `"${version}"` }),
        },
        ...(body === undefined ? {} : { body: isForm ? body : JSON.stringify(body) }),
    }).catch((cause: unknown) => {
        if (signal?.aborted) throw cause;
        throw new Problem(0, 'No connection.', 'Nothing was changed. Try again when you are connected.', [], null);
    });
    const operation = Number(response.headers.get('Operation')) || null;
    if (response.status === 204) return { answer: undefined as Answer, operation };
    const answer: unknown = await response.json().catch(() => null);
    if (!response.ok) throw problemOf(response.status, answer);
    return { answer: answer as Answer, operation };
}

function problemOf(status: number, answer: unknown): Problem {
    const told = (answer ?? {}) as Partial<Schemas['Problem']> & { errors?: FieldProblem[]; current?: unknown };
    const title = told.title ?? (status === 413 ? 'That is too large.' : 'Something went wrong.');
    return new Problem(status, title, told.detail ?? '', told.errors ?? [], told.current ?? null);
}

function queryString(query: Options['query']): string {
    const parameters = new URLSearchParams();
    for (const [name, value] of Object.entries(query ?? {})) {
        if (Array.isArray(value)) value.forEach((each) => parameters.append(`${name}[]`, each));
        else if (value !== undefined) parameters.append(name, value);
    }
    const text = parameters.toString();
    return text === '' ? '' : `?${text}`;
}

function csrfToken(): string {
    const cookie = document.cookie.split('; ').find((each) => each.startsWith('XSRF-TOKEN='));
    return cookie === undefined ? '' : decodeURIComponent(cookie.slice('XSRF-TOKEN='.length));
}
