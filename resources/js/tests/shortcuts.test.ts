/** Whatever the screen keeps to be quick, it shows what compositing anew would show: after any changes, on any page. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BLEND_MODES, type BlendMode, type PaletteState, type PassData, type RecordsState } from '../api/generated';
import { patch } from '../bench/surface/patches';
import { changedLabels } from '../picture/changes';
import { composeBlock, PIXELS, SIDE, type Block, type Look } from '../picture/compose';
import { AROUND, type TileJob } from '../picture/jobs';
import { soften, softEdges } from '../picture/softEdges';
import { buildStack, layersOf, marginOf, type Stack } from '../picture/stack';
import { TileComposer } from '../picture/tileComposer';
import { composeWide } from '../picture/wide';
import { pages } from './fixtures';

const { palette: PALETTE, pages: PAGES } = pages();
const LOOK: Look = { ink: 1, hatch: false, veil: false, passes: true };
const WIDE = SIDE + 2;

/** The labels of a tile and of a pixel about it: patches of 1 to 5, some thin as a line. */
const LABELS = Uint8Array.from({ length: 2 * WIDE * WIDE }, (_, i) => {
    const [x, y] = [(i >> 1) % WIDE, Math.floor((i >> 1) / WIDE)];
    return i % 2 === 0 ? 0 : x % 97 === 0 ? 5 : (((x >> 5) + 3 * (y >> 6)) % 5) + (y < 9 ? 0 : 1);
});

/** What is in a layer, by its version: as patterns that are cheap to make. */
function bytesOf(layer: string, version: number): Uint8Array | null {
    if (layer === AROUND) return LABELS;
    if (layer === 'flats') {
        const rows = Array.from({ length: SIDE }, (_, y) =>
            LABELS.subarray(2 * ((y + 1) * WIDE + 1), 2 * ((y + 1) * WIDE + 1 + SIDE)),
        );
        return Uint8Array.from(rows.flatMap((row) => [...row]));
    }
    if ((layer.length + version) % 5 === 0) return null;
    const size = layer.startsWith('paint') ? 4 : 1;
    const seed = [...layer].reduce((sum, letter) => 31 * sum + letter.charCodeAt(0), 7 * version) & 0xffff;
    return Uint8Array.from({ length: size * PIXELS }, (_, i) => {
        const wave = ((i >> 4) + seed) % 23;
        return wave < 9 ? 0 : wave < 14 ? 255 : (i * 7 + seed) & 255;
    });
}

const known = new Map<string, Uint8Array | null>();
function bytes(layer: string, version: number): Uint8Array | null {
    const key = `${layer} ${version}`;
    if (!known.has(key)) known.set(key, bytesOf(layer, version));
    return known.get(key) as Uint8Array | null;
}

interface World {
    records: RecordsState;
    palette: PaletteState;
    versions: Map<string, number>;
    active: string | null;
}

const stackOf = ({ records, palette }: World): Stack => buildStack(records, palette);

const blockOf = (world: World): Block => ({
    count: PIXELS,
    x: SIDE,
    y: 2 * SIDE,
    width: SIDE,
    level: 0,
    bytes: (layer) => bytes(layer, world.versions.get(layer) ?? 1),
});

/** What the tile is, composited from nothing. */
function anew(world: World): Uint8ClampedArray<ArrayBuffer> {
    const stack = stackOf(world);
    const block = blockOf(world);
    if (marginOf(stack, 0) > 0) return composeWide(stack, block, LOOK);
    const picture = composeBlock(stack, block, LOOK);
    if (stack.soft.size > 0) soften(picture, softEdges(LABELS, SIDE, stack), stack, block, LOOK);
    return picture;
}

/** As the pool would ask: the bytes of what the worker does not have yet. */
function jobOf(world: World, worker: TileComposer, key: string): TileJob {
    const stack = stackOf(world);
    const isWide = marginOf(stack, 0) > 0;
    const names = [...layersOf(stack), ...(stack.soft.size > 0 && !isWide ? [AROUND] : [])];
    const layers = names.map((layer) => {
        const version = world.versions.get(layer) ?? 1;
        return worker.has(key, layer) === version
            ? { layer, version }
            : { layer, version, bytes: bytes(layer, version) };
    });
    const wide = isWide ? { x: SIDE, y: 2 * SIDE, width: SIDE, height: SIDE } : null;
    return {
        kind: 'tile',
        id: 1,
        key,
        level: 0,
        x: SIDE,
        y: 2 * SIDE,
        wide,
        look: LOOK,
        active: world.active,
        levels: null,
        layers,
    };
}

function worst(a: Uint8ClampedArray, b: Uint8ClampedArray): number {
    let most = 0;
    for (let i = 0; i < a.length; i++) most = Math.max(most, Math.abs(a[i] - b[i]));
    return most;
}

type Action = (world: World) => World;

const passAt = (world: World, n: number): string | null => {
    const ids = Object.keys(world.records.pass);
    return ids.length === 0 ? null : ids[n % ids.length];
};

const withPass = (world: World, n: number, change: (pass: PassData) => Partial<PassData>): World => {
    const id = passAt(world, n);
    if (id === null) return world;
    const pass = world.records.pass[id];
    return {
        ...world,
        records: { ...world.records, pass: { ...world.records.pass, [id]: { ...pass, ...change(pass) } } },
    };
};

const number = fc.nat({ max: 99 });
const colour = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`);

/** Everything that a hand or somebody else may change. */
const ACTION: fc.Arbitrary<Action> = fc.oneof(
    fc.tuple(number, colour).map(([n, hex]): Action => (world) => {
        const figures = world.palette.figures.map((figure) => ({
            ...figure,
            materials: figure.materials.map((one) =>
                one.id === (n % 4) + 1 ? { ...one, tones: { ...one.tones, base: hex, shade: hex, line: hex } } : one,
            ),
        }));
        return { ...world, palette: { ...world.palette, figures } };
    }),
    fc.tuple(number, number).map(([n, m]): Action => (world) => {
        const label = (n % 5) + 1;
        const material = m % 5;
        const figure =
            world.palette.figures.find(({ materials }) => materials.some(({ id }) => id === material))?.id ?? 0;
        const was = world.records.region[label];
        return {
            ...world,
            records: { ...world.records, region: { ...world.records.region, [label]: { ...was, figure, material } } },
        };
    }),
    fc.tuple(number, fc.oneof(fc.constant<BlendMode>('normal'), fc.constantFrom(...BLEND_MODES))).map(
        ([n, mode]): Action =>
            (world) =>
                withPass(world, n, () => ({ mode })),
    ),
    fc.tuple(number, number).map(
        ([n, m]): Action =>
            (world) =>
                withPass(world, n, () => ({ opacity: (m % 11) / 10 })),
    ),
    number.map(
        (n): Action =>
            (world) =>
                withPass(world, n, ({ visible }) => ({ visible: !visible })),
    ),
    number.map(
        (n): Action =>
            (world) =>
                withPass(world, n, ({ order }) => ({ order: order + (n % 2 === 0 ? 2 : -2) })),
    ),
    number.map((n): Action => (world) => {
        const layers = layersOf(stackOf(world)).filter((layer) => layer !== 'flats');
        const layer = layers[n % layers.length];
        return { ...world, versions: new Map(world.versions).set(layer, (world.versions.get(layer) ?? 1) + 1) };
    }),
    number.map((n): Action => (world) => {
        const layers = [...layersOf(stackOf(world)), null];
        return { ...world, active: layers[n % layers.length] };
    }),
    number.map((n): Action => (world) => {
        const figures = world.palette.figures.map((one) =>
            one.id === (n % 3) + 1 ? { ...one, soft: !one.soft } : one,
        );
        return { ...world, palette: { ...world.palette, figures } };
    }),
    fc.constant<Action>((world) => world),
    {
        weight: 6,
        // The hand paints.
        arbitrary: fc.constant<Action>((world) => {
            const layer = world.active ?? 'ink';
            return { ...world, versions: new Map(world.versions).set(layer, (world.versions.get(layer) ?? 1) + 1) };
        }),
    },
);

const RICH = PAGES.filter(({ records }) => Object.keys(records.pass).length > 3);

/** A page with a hand on one of its layers; mostly one on which much hangs. */
const START = fc
    .tuple(fc.oneof({ weight: 5, arbitrary: fc.constantFrom(...RICH) }, fc.constantFrom(...PAGES)), number)
    .map(([{ records, soft }, n]): World => {
        const figures = PALETTE.figures.map((one) => ({ ...one, soft: soft.includes(one.id) }));
        const world = { records, palette: { ...PALETTE, figures }, versions: new Map(), active: null };
        const layers = layersOf(stackOf(world)).filter((layer) => layer !== 'flats');
        return { ...world, active: layers[n % layers.length] };
    });

// Always the same runs, so that a red one can be looked at; another seed is tried by hand.
const RUNS = { seed: Number(process.env.FC_SEED ?? 20261201), numRuns: Number(process.env.FC_RUNS ?? 30) };

describe('after any changes to any page', () => {
    it('levels among plain passes above the hand alter what the hand paints', () => {
        const [{ records }] = RICH;
        const pass = (order: number, content: PassData['content']): PassData => ({
            ...Object.values(records.pass)[0],
            figure: 0,
            scope: { kind: 'page', id: 0 },
            mode: 'normal',
            opacity: 0.8,
            visible: true,
            group: null,
            mask: null,
            order,
            content,
        });
        const tint = { kind: 'tint' as const, colour: '#a04020', follows: null };
        const levels = {
            kind: 'levels' as const,
            channel: 'all' as const,
            low: 0,
            high: 1,
            black: 0.2,
            white: 0.7,
            middle: 1.3,
        };
        const hung = { handd1: pass(1, tint), above1: pass(2, tint), above2: pass(3, levels), above3: pass(4, tint) };
        let world: World = {
            records: { ...records, pass: hung, group: {} },
            palette: PALETTE,
            versions: new Map(),
            active: 'pass:handd1',
        };
        const worker = new TileComposer();
        worker.take({ kind: 'stack', version: 1, stack: stackOf(world) });
        for (const version of [1, 2, 3]) {
            world = { ...world, versions: new Map([['pass:handd1', version]]) };
            expect(worst(worker.compose(jobOf(world, worker, 'view')), anew(world))).toBeLessThanOrEqual(1);
        }
    });

    it('a tile that a worker has kept is what compositing anew makes of it, within a step', () => {
        const isSame = fc.property(START, fc.array(ACTION, { minLength: 3, maxLength: 9 }), (start, actions) => {
            const worker = new TileComposer();
            let world = start;
            let version = 1;
            worker.take({ kind: 'stack', version, stack: stackOf(world) });
            worker.compose(jobOf(world, worker, 'view 0 1,2'));
            for (const action of actions) {
                const next = action(world);
                const isOther = next.records !== world.records || next.palette !== world.palette;
                world = next;
                if (isOther) worker.take({ kind: 'stack', version: ++version, stack: stackOf(world) });
                expect(worst(worker.compose(jobOf(world, worker, 'view 0 1,2')), anew(world))).toBeLessThanOrEqual(1);
            }
        });
        fc.assert(isSame, RUNS);
    }, 120_000);

    it('labels that are not said to look different look the same, and a patch of those that are is the picture', () => {
        let patched = 0;
        const isSame = fc.property(START, fc.array(ACTION, { minLength: 1, maxLength: 3 }), (start, actions) => {
            const world = actions.reduce((now, action) => action(now), start);
            const [before, after] = [stackOf(start), stackOf({ ...world, versions: start.versions })];
            const changed = changedLabels(before, after);
            if (String([...before.soft]) !== String([...after.soft])) expect(changed).toBeNull();
            if (changed === null || after.soft.size > 0 || marginOf(after, 0) > 0) return;
            const there = { ...start, records: world.records, palette: world.palette };
            const [was, is] = [anew(start), anew(there)];
            const flats = bytes('flats', 1) as Uint8Array;
            for (let i = 0; i < PIXELS; i++) {
                if (changed.has(flats[2 * i + 1])) continue;
                for (let c = 0; c < 3; c++)
                    if (was[4 * i + c] !== is[4 * i + c])
                        expect.fail(`label ${flats[2 * i + 1]} at ${i} looks different`);
            }
            if (!patch([{ picture: was, block: blockOf(there) }], changed, after, LOOK)) return;
            patched++;
            expect(worst(was, is)).toBe(0);
        });
        fc.assert(isSame, RUNS);
        expect(patched).toBeGreaterThan(5);
    }, 120_000);
});
