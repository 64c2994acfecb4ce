/** The one place that talks HTTP. */
import type { Applied, Op, PageCard, PageState, Role, SeriesCard, SeriesState, SessionState, TaskState, ToneName } from './types';

/** An answer other than "done": the message is meant for the person. Status 0: the server could not be reached. */
export class Refused extends Error {
    constructor(
        readonly status: number,
        message: string,
        readonly details: Record<string, unknown> = {},
    ) {
        super(message);
    }
}

function csrf(): string {
    const match = /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie);
    return match ? decodeURIComponent(match[1]) : '';
}

async function send(method: string, path: string, body?: unknown): Promise<Response> {
    const form = body instanceof FormData;
    let response: Response;
    try {
        response = await fetch(path, {
            method,
            credentials: 'same-origin',
            headers: {
                Accept: 'application/json',
                'X-XSRF-TOKEN': csrf(),
                ...(body !== undefined && !form ? { 'Content-Type': 'application/json' } : {}),
            },
            body: body === undefined ? undefined : form ? body : JSON.stringify(body),
        });
    } catch {
        throw new Refused(0, 'The server cannot be reached.');
    }
    if (!response.ok) {
        const details = (await response.json().catch(() => ({}))) as Record<string, unknown>;
        const text = typeof details.message === 'string' && details.message !== '' ? details.message : 'The server did not accept this.';
        throw new Refused(response.status, response.status === 419 ? 'You were away for long. Reload the page to go on.' : text, details);
    }
    return response;
}

async function json<T>(method: string, path: string, body?: unknown): Promise<T> {
    const response = await send(method, path, body);
    return response.status === 204 ? (undefined as T) : ((await response.json()) as T);
}

export const api = {
    session: () => json<SessionState>('GET', '/api/session'),
    signIn: (email: string, password: string) => json<SessionState>('POST', '/api/session', { email, password }),
    signInDemo: (id: number) => json<SessionState>('POST', '/api/session/demo', { id }),
    signOut: () => json<void>('DELETE', '/api/session'),

    shelf: () => json<SeriesCard[]>('GET', '/api/series'),
    addSeries: (name: string) => json<{ id: number }>('POST', '/api/series', { name }),
    series: (id: number) => json<SeriesState>('GET', `/api/series/${id}`),
    addPage: (series: number, title: string) => json<PageCard>('POST', `/api/series/${series}/pages`, { title }),
    addMember: (series: number, email: string, role: Role) => json<{ id: number }>('POST', `/api/series/${series}/members`, { email, role }),
    removeMember: (series: number, user: number) => json<void>('DELETE', `/api/series/${series}/members/${user}`),
    addFigure: (series: number, name: string) => json<{ id: number; palette: PageState['palette'] }>('POST', `/api/series/${series}/figures`, { name }),
    addMaterial: (series: number, figure: number, name: string, base: string) =>
        json<{ id: number; palette: PageState['palette'] }>('POST', `/api/series/${series}/figures/${figure}/materials`, { name, base }),
    pin: (series: number, material: number, version: number, tone: ToneName, colour: string | null) =>
        json<{ material: PageState['palette']['figures'][0]['materials'][0]; version: number }>('PATCH', `/api/series/${series}/materials/${material}`, { version, tone, colour }),

    page: (id: number) => json<PageState>('GET', `/api/pages/${id}`),
    revision: (id: number) => json<{ revision: number; palette: number; holder: { id: number; name: string } | null }>('GET', `/api/pages/${id}/revision`),
    lease: (id: number, lease: string) => json<{ held: boolean; holder: string | null; revision: number; palette: number }>('POST', `/api/pages/${id}/lease`, { lease }),
    apply: (id: number, base: number, lease: string, op: Op) => json<Applied>('POST', `/api/pages/${id}/ops`, { base, lease, op }),
    undo: (id: number, base: number, lease: string) => json<Applied>('POST', `/api/pages/${id}/undo`, { base, lease }),
    redo: (id: number, base: number, lease: string) => json<Applied>('POST', `/api/pages/${id}/redo`, { base, lease }),
    giveBack: (id: number, lease: string) => {
        // Survives the window's end, when an ordinary request would be cut off.
        void fetch(`/api/pages/${id}/lease`, {
            method: 'DELETE', keepalive: true, credentials: 'same-origin',
            headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': csrf() }, body: JSON.stringify({ lease }),
        });
    },
    importScan: (id: number, lease: string, scan: File) => {
        const form = new FormData();
        form.set('lease', lease);
        form.set('scan', scan);
        return json<TaskState>('POST', `/api/pages/${id}/import`, form);
    },
    importWaiting: (id: number, lease: string, original: number) => json<TaskState>('POST', `/api/pages/${id}/import`, { lease, original }),
    clean: (id: number, lease: string, paper: number, ink: number) => json<TaskState>('POST', `/api/pages/${id}/clean`, { lease, paper, ink }),
    deliver: (id: number, format: string) => json<TaskState>('POST', `/api/pages/${id}/deliver`, { format }),
    tasks: (id: number) => json<TaskState[]>('GET', `/api/pages/${id}/tasks`),
    task: (id: number) => json<TaskState>('GET', `/api/tasks/${id}`),
    stopTask: (id: number) => json<TaskState>('DELETE', `/api/tasks/${id}`),

    /** Tiles of one level, unpacked, in the order asked for; null where empty. */
    async tiles(page: number, level: number, want: [string, number, number][]): Promise<(Uint8Array | null)[]> {
        const response = await send('POST', `/api/pages/${page}/tiles`, { level, want });
        const bytes = await response.arrayBuffer();
        const view = new DataView(bytes);
        const packed: (Uint8Array<ArrayBuffer> | null)[] = [];
        for (let at = 0; at + 4 <= bytes.byteLength; ) {
            const length = view.getUint32(at);
            packed.push(length === 0 ? null : new Uint8Array(bytes, at + 4, length));
            at += 4 + length;
        }
        return Promise.all(packed.map((part) => (part === null ? null : inflate(part))));
    },
};

async function inflate(packed: Uint8Array<ArrayBuffer>): Promise<Uint8Array> {
    const stream = new Blob([packed]).stream().pipeThrough(new DecompressionStream('deflate'));
    return new Uint8Array(await new Response(stream).arrayBuffer());
}
