import { describe, expect, it } from 'vitest';
import { composeBlock, Composer, PIXELS, type Look } from '../picture/compose';
import { soften, softEdges } from '../picture/softEdges';
import { composeWide } from '../picture/wide';
import { EMPTY, buildStack, marginOf, type Flat, type PassNode, type Stack } from '../picture/stack';
import { stretches, TileComposer } from '../picture/tileComposer';
import { bytes, pages } from './fixtures';

const { count, palette, pages: cases } = pages();
const look: Look = { ink: 1, hatch: false, veil: false, passes: true };

function worst(shown: Uint8ClampedArray, expected: Uint8Array): number {
    let most = 0;
    for (let i = 0; i < count; i++)
        for (let c = 0; c < 3; c++) most = Math.max(most, Math.abs(shown[4 * i + c] - expected[c * count + i]));
    return most;
}

describe('the browser’s picture is the core’s', () => {
    it.each(cases.map((one) => [one.name, one] as const))('%s', (_, { records, soft, width, layers, expected }) => {
        const block = {
            count,
            x: 0,
            y: 0,
            width,
            bytes: (layer: string) => (layers[layer] === undefined ? null : bytes(layers[layer])),
        };
        const stack = buildStack(records, {
            ...palette,
            figures: palette.figures.map((one) => ({ ...one, soft: soft.includes(one.id) })),
        });
        if (marginOf(stack, 0) > 0) {
            expect(worst(composeWide(stack, block, look), bytes(expected))).toBeLessThanOrEqual(2);
            return;
        }
        const picture = composeBlock(stack, block, look);
        if (soft.length > 0) soften(picture, softEdges(bytes(layers['flats around']), 16, stack), stack, block, look);
        expect(worst(picture, bytes(expected))).toBeLessThanOrEqual(2);
    });
});

describe('a look', () => {
    const { records, layers } = cases.find((one) =>
        one.name.startsWith('tint, multiply, figure 1'),
    ) as (typeof cases)[0];
    const stack = buildStack(records, palette);
    const block = (x = 0) => ({
        count,
        x,
        y: 0,
        width: count,
        bytes: (layer: string) => (layers[layer] === undefined ? null : bytes(layers[layer])),
    });
    const labels = bytes(layers.flats);
    const at = (label: number): number =>
        Array.from({ length: count }, (_, i) => i).find(
            (i) => labels[2 * i + 1] === label && bytes(layers.ink)[i] === 255,
        ) as number;

    it('leaves the passes out', () => {
        const flat = composeBlock(stack, block(), { ...look, passes: false, ink: 0 });
        const i = Array.from({ length: count }, (_, j) => j).find((j) => labels[2 * j + 1] === 1) as number;
        expect([flat[4 * i], flat[4 * i + 1], flat[4 * i + 2]]).toEqual(
            [16, 8, 0].map((shift) => ((stack.flats.get(1)?.tones.base ?? 0) >> shift) & 255),
        );
    });
    it('shows the ink as strongly as it says', () => {
        const i = at(0);
        expect(composeBlock(stack, block(), { ...look, ink: 0.5 })[4 * i]).toBe(Math.round(255 + (17 - 255) * 0.5));
        expect(composeBlock(stack, block(), look)[4 * i]).toBe(17);
    });
    it('hatches what is unfilled, and the hatching runs on from tile to tile', () => {
        const hatched = composeBlock(stack, block(), { ...look, ink: 0, hatch: true });
        const moved = composeBlock(stack, block(5), { ...look, ink: 0, hatch: true });
        const greys = (of: Uint8ClampedArray): number[] =>
            Array.from({ length: count }, (_, i) => i).filter((i) => of[4 * i] === 0xb2);
        expect(greys(hatched).length).toBeGreaterThan(0);
        for (const i of greys(hatched)) expect([labels[2 * i + 1], (i & 15) < 3]).toEqual([5, true]);
        for (const i of greys(moved)) expect(((i + 5) & 15) < 3).toBe(true);
    });
});

/** Quicker than comparing element by element. */
const same = (a: Uint8ClampedArray, b: Uint8ClampedArray): boolean =>
    Buffer.from(a.buffer).equals(Buffer.from(b.buffer));

const plainPass = (id: string): PassNode => ({
    kind: 'pass',
    id,
    layer: `pass:${id}`,
    content: { kind: 'tint', colour: '#204060', follows: null },
    scope: { kind: 'page', id: 0 },
    mode: 'normal',
    opacity: 0.5,
    mask: null,
    turn: null,
});

describe('a worker', () => {
    const { records } = cases.find((one) => one.name === 'random stack 7') as (typeof cases)[0];
    const stack = buildStack(records, palette);
    const names = Object.keys(records.pass).map((id) =>
        records.pass[id].content.kind === 'paint' ? `paint:${id}` : `pass:${id}`,
    );
    const layer = (name: string, seed: number): Uint8Array => {
        const size = name === 'flats' ? 2 * PIXELS : name.startsWith('paint') ? 4 * PIXELS : PIXELS;
        return Uint8Array.from({ length: size }, (_, i) =>
            name === 'flats' ? (i % 2 === 0 ? 0 : ((i >> 9) + seed) % 6) : (i * 7 + seed * 31) % 256,
        );
    };
    const all = ['flats', 'ink', ...names];
    const job = (active: string | null, versions: Record<string, number>, send: string[]) => ({
        kind: 'tile' as const,
        id: 1,
        key: '0 0,0',
        level: 0,
        x: 0,
        y: 0,
        wide: null,
        look,
        active,
        levels: null,
        layers: all.map((name) => ({
            layer: name,
            version: versions[name] ?? 1,
            ...(send.includes(name) ? { bytes: layer(name, versions[name] ?? 1) } : {}),
        })),
    });
    const whole = (versions: Record<string, number>): Uint8ClampedArray =>
        new Composer(
            stack,
            { count: PIXELS, x: 0, y: 0, width: 256, bytes: (name) => layer(name, versions[name] ?? 1) },
            look,
        )
            .compose()
            .rgba();

    it('keeps what lies below the active layer, and never shows it when it has changed', () => {
        const worker = new TileComposer();
        worker.take({ kind: 'stack', version: 1, stack });
        const active = names[names.length - 1];
        expect(same(worker.compose(job(active, {}, all)), whole({}))).toBe(true);
        expect(same(worker.compose(job(active, { [active]: 2 }, [active])), whole({ [active]: 2 }))).toBe(true);
        expect(same(worker.compose(job(active, { [active]: 3 }, [active])), whole({ [active]: 3 }))).toBe(true);
        const below = names[0];
        expect(
            same(worker.compose(job(active, { [active]: 3, [below]: 2 }, [below])), whole({ [active]: 3, [below]: 2 })),
        ).toBe(true);
        expect(
            same(
                worker.compose(job(active, { [active]: 3, [below]: 2, flats: 2 }, ['flats'])),
                whole({ [active]: 3, [below]: 2, flats: 2 }),
            ),
        ).toBe(true);
        worker.take({
            kind: 'stack',
            version: 2,
            stack: { ...stack, planes: [], ink: [], above: [] },
        });
        const bare = worker.compose(job(active, { [active]: 3, [below]: 2, flats: 2 }, []));
        expect(same(bare, whole({ [active]: 3, [below]: 2, flats: 2 }))).toBe(false);
    });
    it('keeps plain layers above the active one, wherever the hand is, within a step', () => {
        let compared = 0;
        for (const { records: of } of cases.filter((one) => one.name.startsWith('random stack')).slice(2, 6)) {
            const here = buildStack(of, palette);
            const ids = Object.keys(of.pass).map((id) =>
                of.pass[id].content.kind === 'paint' ? `paint:${id}` : `pass:${id}`,
            );
            const layers = ['flats', 'ink', ...ids];
            const exact = (versions: Record<string, number>): Uint8ClampedArray =>
                new Composer(
                    here,
                    { count: PIXELS, x: 0, y: 0, width: 256, bytes: (name) => layer(name, versions[name] ?? 1) },
                    look,
                )
                    .compose()
                    .rgba();
            const worker = new TileComposer();
            worker.take({ kind: 'stack', version: 1, stack: here });
            const ask = (versions: Record<string, number>, send: string[]) => ({
                ...job(ids[0], versions, []),
                layers: layers.map((name) => ({
                    layer: name,
                    version: versions[name] ?? 1,
                    ...(send.includes(name) ? { bytes: layer(name, versions[name] ?? 1) } : {}),
                })),
            });
            worker.compose(ask({}, layers));
            for (const versions of [{ [ids[0]]: 2 }, { [ids[0]]: 2, ink: 2 }, { [ids[0]]: 3, ink: 2 }] as Record<
                string,
                number
            >[]) {
                const got = worker.compose(ask(versions, Object.keys(versions)));
                const want = exact(versions);
                let worst = 0;
                for (let i = 0; i < got.length; i++) worst = Math.max(worst, Math.abs(got[i] - want[i]));
                expect(worst).toBeLessThanOrEqual(1);
                compared++;
            }
        }
        expect(compared).toBe(12);
    }, 60_000);
    const dyed = (of: Stack, label: number, base: number): Stack => {
        const flat = of.flats.get(label) as Flat;
        return {
            ...of,
            flats: new Map(of.flats).set(label, {
                ...flat,
                tones: { ...flat.tones, base, shade: base ^ 0x3344, line: base ^ 0xff },
            }),
        };
    };
    const fresh = (of: Stack, versions: Record<string, number> = {}): Uint8ClampedArray =>
        new Composer(
            of,
            { count: PIXELS, x: 0, y: 0, width: 256, bytes: (name) => layer(name, versions[name] ?? 1) },
            look,
        )
            .compose()
            .rgba();
    it('makes of a tile what it would be from nothing when tones are changed, once or more often', () => {
        const worker = new TileComposer();
        worker.take({ kind: 'stack', version: 1, stack });
        worker.compose(job(null, {}, all));
        const once = dyed(stack, 3, 0x10c0f0);
        worker.take({ kind: 'stack', version: 2, stack: once });
        expect(same(worker.compose(job(null, {}, [])), fresh(once))).toBe(true);
        const twice = dyed(once, 1, 0xf0c010);
        worker.take({ kind: 'stack', version: 3, stack: twice });
        const again = dyed(twice, 3, 0x408040);
        worker.take({ kind: 'stack', version: 4, stack: again });
        expect(same(worker.compose(job(null, {}, [])), fresh(again))).toBe(true);
        const faint = { ...dyed(again, 2, 0x999999), above: [plainPass('x')] };
        worker.take({ kind: 'stack', version: 5, stack: faint });
        expect(same(worker.compose(job(null, {}, [])), fresh(again))).toBe(false);
        worker.take({ kind: 'stack', version: 6, stack: again });
        expect(same(worker.compose(job(null, { ink: 2 }, ['ink'])), fresh(again, { ink: 2 }))).toBe(true);
    });
    it('composites only what has a tone that is changed', () => {
        const worker = new TileComposer();
        worker.take({ kind: 'stack', version: 1, stack });
        const ask = job(null, {}, all);
        const before = worker.compose(ask);
        // Every layer is full now, unnoticed: what is composited again is seen.
        for (const sent of ask.layers) if (sent.layer !== 'flats') sent.bytes?.fill(255);
        worker.take({ kind: 'stack', version: 2, stack: dyed(stack, 3, 0x10c0f0) });
        const after = worker.compose(job(null, {}, []));
        const labels = layer('flats', 1);
        const isOther = (i: number): boolean =>
            [0, 1, 2].some((channel) => before[4 * i + channel] !== after[4 * i + channel]);
        const changed = Array.from({ length: PIXELS }, (_, i) => i).filter(isOther);
        expect(new Set(changed.map((i) => labels[2 * i + 1]))).toEqual(new Set([3]));
    });
    it('takes plain steps in a row together and leaves others where they are', () => {
        const step = (name: string, isPlain: boolean) => ({ layers: [name], isPlain, lay: () => undefined });
        const plain = (name: string) => step(name, true);
        const names = stretches([
            plain('a'),
            plain('b'),
            step('c', false),
            plain('d'),
            step('e', false),
            step('f', false),
        ]);
        expect(names.map((stretch) => stretch.map(({ layers }) => layers[0]).join(''))).toEqual([
            'ab',
            'c',
            'd',
            'e',
            'f',
        ]);
    });
    it('lays what is kept above only once', () => {
        const normal = { ...stack, planes: [], ink: [], above: ['x', 'y', 'z'].map(plainPass) };
        const worker = new TileComposer();
        worker.take({ kind: 'stack', version: 1, stack: normal });
        let reads = 0;
        const watched = (name: string): Uint8Array =>
            new Proxy(new Uint8Array(PIXELS).fill(9), {
                get: (bytes, at) => {
                    if (name === 'pass:z' && at === '0') reads++;
                    const value = Reflect.get(bytes, at) as unknown;
                    return typeof value === 'function' ? (value as () => unknown).bind(bytes) : value;
                },
            });
        const ask = (version: number, send: string[]) => ({
            ...job('pass:x', {}, []),
            layers: ['pass:x', 'pass:y', 'pass:z'].map((name) => ({
                layer: name,
                version: name === 'pass:x' ? version : 1,
                ...(send.includes(name) ? { bytes: watched(name) } : {}),
            })),
        });
        worker.compose(ask(1, ['pass:x', 'pass:y', 'pass:z']));
        const first = reads;
        worker.compose(ask(2, ['pass:x']));
        worker.compose(ask(3, ['pass:x']));
        expect([first > 0, reads]).toEqual([true, first]);
    });
    it('lets the ink through the levels that are tried', () => {
        const worker = new TileComposer();
        worker.take({
            kind: 'stack',
            version: 1,
            stack: EMPTY,
        });
        const levels = new Uint8Array(256);
        expect(worker.compose({ ...job(null, {}, all), levels }).every((value) => value === 255)).toBe(true);
    });
});
