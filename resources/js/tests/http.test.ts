import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Failure, json, kindOf } from '../api/http';
import { unpackTiles } from '../api/packed';
import { deflateSync } from 'node:zlib';

const answer = (status: number, body: unknown = {}): Response => new Response(JSON.stringify(body), { status });
let asked: [string, string, Record<string, string>][];

function server(...answers: (Response | Error)[]): void {
    asked = [];
    vi.stubGlobal('fetch', async (path: string, init: RequestInit) => {
        asked.push([init.method ?? '', path, init.headers as Record<string, string>]);
        const next = answers.shift();
        if (next instanceof Error || next === undefined) throw next ?? new Error('nobody there');
        return next;
    });
}

const failed = async (work: Promise<unknown>): Promise<Failure> =>
    work.then(
        () => {
            throw new Error('It was done.');
        },
        (reason: Failure) => reason,
    );

beforeEach(() => vi.stubGlobal('document', { cookie: 'other=1; XSRF-TOKEN=the%20token' }));
afterEach(() => vi.unstubAllGlobals());

describe('a request', () => {
    it('carries the token and gives the answer', async () => {
        server(answer(200, { name: 'Oda' }));
        expect(await json('POST', '/api/x', { a: 1 })).toEqual({ name: 'Oda' });
        expect(asked[0][2]).toMatchObject({ 'X-XSRF-TOKEN': 'the token', 'Content-Type': 'application/json' });
    });
    it('fetches a new token once when the old one has run out', async () => {
        server(answer(419), answer(200), answer(200, { done: true }));
        expect(await json('POST', '/api/x', {})).toEqual({ done: true });
        expect(asked.map(([method, path]) => `${method} ${path}`)).toEqual([
            'POST /api/x',
            'GET /api/session',
            'POST /api/x',
        ]);
        server(answer(419), answer(200), answer(419));
        expect((await failed(json('POST', '/api/x', {}))).kind).toBe('refused');
    });
    it.each([
        [401, 'signed-out'],
        [408, 'unavailable'],
        [409, 'conflict'],
        [422, 'refused'],
        [403, 'refused'],
        [429, 'unavailable'],
        [500, 'unavailable'],
        [502, 'unavailable'],
        [503, 'unavailable'],
        [504, 'unavailable'],
    ] as const)('%i is %s', async (status, kind) => {
        expect(kindOf(status)).toBe(kind);
        server(answer(status, { message: 'Said so.', reason: 'lease' }));
        const failure = await failed(json('GET', '/api/x'));
        expect([failure.kind, failure.status, failure.details.reason, failure.passes]).toEqual([
            kind,
            status,
            'lease',
            kind === 'unavailable',
        ]);
        if (kind === 'refused') expect(failure.message).toBe('Said so.');
    });
    it('without an answer is unreachable', async () => {
        server(new TypeError('no network'));
        const failure = await failed(json('GET', '/api/x'));
        expect([failure.kind, failure.passes]).toEqual(['unreachable', true]);
    });
    it('says of a form’s field what is wrong with it', async () => {
        server(answer(422, { message: 'No.', errors: { email: ['Not known.', 'Second.'] } }));
        const failure = await failed(json('POST', '/api/x', {}));
        expect([failure.of('email'), failure.of('role')]).toEqual(['Not known.', null]);
    });
});

describe('packed tiles', () => {
    it('are told apart by length and name', async () => {
        const parts: Uint8Array[] = [];
        for (const content of ['first tile', null, 'second']) {
            const packed = content === null ? Buffer.alloc(0) : deflateSync(content);
            const head = Buffer.alloc(36);
            head.writeUInt32BE(packed.length, 0);
            head.fill(content === null ? 0 : content.length, 4);
            parts.push(head, packed);
        }
        const whole = new Uint8Array(Buffer.concat(parts));
        const tiles = await unpackTiles(whole.buffer);
        expect(tiles.map((tile) => (tile === null ? null : [tile.name, new TextDecoder().decode(tile.bytes)]))).toEqual(
            [['0a'.repeat(32), 'first tile'], null, ['06'.repeat(32), 'second']],
        );
    });
});
