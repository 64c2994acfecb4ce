/** Requests to the server, and what can come of them. */

/** What went wrong, by what to do about it. */
export type FailureKind =
    /** No answer: the network, or no server. */
    | 'unreachable'
    /** The server answered that it cannot just now. */
    | 'unavailable'
    /** Nobody is signed in any more. */
    | 'signed-out'
    /** Somebody else was quicker, or holds the page. */
    | 'conflict'
    /** The request itself was not accepted, and never will be. */
    | 'refused';

/** An answer other than "done". The message is meant for the person. */
export class Failure extends Error {
    constructor(
        readonly kind: FailureKind,
        message: string,
        readonly status = 0,
        readonly details: Record<string, unknown> = {},
    ) {
        super(message);
    }

    /** Whether asking again later can help. */
    get passes(): boolean {
        return this.kind === 'unreachable' || this.kind === 'unavailable';
    }

    /** What the server said of one field of a form. */
    of(field: string): string | null {
        const errors = this.details.errors as Record<string, string[]> | undefined;
        return errors?.[field]?.[0] ?? null;
    }
}

const TIMEOUT = 60_000;
const BUSY = [408, 425, 429];

export function kindOf(status: number): FailureKind {
    if (status === 401) return 'signed-out';
    if (status === 409) return 'conflict';
    return status >= 500 || BUSY.includes(status) ? 'unavailable' : 'refused';
}

function csrf(): string {
    const match = /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie);
    return match ? decodeURIComponent(match[1]) : '';
}

export function headers(hasJson: boolean): Record<string, string> {
    return {
        Accept: 'application/json',
        'X-XSRF-TOKEN': csrf(),
        ...(hasJson ? { 'Content-Type': 'application/json' } : {}),
    };
}

async function fetched(method: string, path: string, body: unknown): Promise<Response> {
    const isForm = body instanceof FormData;
    try {
        return await fetch(path, {
            method,
            credentials: 'same-origin',
            headers: headers(body !== undefined && !isForm),
            body: body === undefined ? undefined : isForm ? body : JSON.stringify(body),
            signal: isForm ? undefined : AbortSignal.timeout(TIMEOUT),
        });
    } catch {
        throw new Failure('unreachable', 'The server cannot be reached.');
    }
}

/** A token that has run out is fetched anew, once, without a word. */
async function withToken(method: string, path: string, body: unknown): Promise<Response> {
    const response = await fetched(method, path, body);
    if (response.status !== 419) return response;
    await fetched('GET', '/api/session', undefined);
    return fetched(method, path, body);
}

export async function send(method: string, path: string, body?: unknown): Promise<Response> {
    const response = await withToken(method, path, body);
    if (response.ok) return response;
    const details = (await response.json().catch(() => ({}))) as Record<string, unknown>;
    const kind = kindOf(response.status);
    const said = typeof details.message === 'string' && details.message !== '' ? details.message : null;
    const message =
        kind === 'unavailable'
            ? 'The server is in trouble just now.'
            : kind === 'signed-out'
              ? 'You are signed out.'
              : said;
    throw new Failure(kind, message ?? 'The server did not accept this.', response.status, details);
}

export async function json<T>(method: string, path: string, body?: unknown): Promise<T> {
    const response = await send(method, path, body);
    return response.status === 204 ? (undefined as T) : ((await response.json()) as T);
}
