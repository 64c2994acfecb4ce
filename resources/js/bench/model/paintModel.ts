/** The bench where light and mood are painted: the brush in hand, paint that is moved or taken along. */
import type { BoxedBrush, BrushData, MovePaintInput, TipData } from '../../api/generated';
import { movePaint } from '../../page/ops/paint/movePaint';
import { placePaint } from '../../page/ops/paint/placePaint';
import { softenPass } from '../../page/ops/paint/softenPass';
import { passFor } from '../../page/target';
import type { TriedLight } from '../../picture/tried';
import { remember, remembered, wayOf, type Carried } from './carried';
import { turnedSpots, type Spot } from './lines';
import type { BenchModel } from './model';

/** Instead of a picture's id: the picked material in the light. */
export const COMPUTED = 0;

/** What the brush in hand leaves at each place; null: it has no tip, and lays all of a stroke at once. */
export function tipOf({ boxed, flow }: PaintView): TipData | null {
    const tip = boxed?.tip ?? null;
    return tip === null ? null : { ...tip, flow: flow ?? tip.flow };
}

export interface PaintView {
    size: number;
    /** The most that one stroke lays. */
    opacity: number;
    /** How much each place of a tip lays, so that the stroke builds up; null: as the brush has it. */
    flow: number | null;
    /** The brush in hand; null: the first that lies ready. */
    boxed: BoxedBrush | null;
    /** Whether paint stays inside the region it begins in. */
    isWithin: boolean;
    /** Whether the next drag says which way the picked regions run. */
    isDrawingFlow: boolean;
    /** The outline of paint that is moved. */
    movedOutline: Spot[] | null;
    /** Paint that was taken along to be put elsewhere. */
    carried: Carried | null;
    /** A light on a figure that is being tried; null: none is. */
    tried: TriedLight | null;
    /** The one pass that is shown alone; null: all that are let down. */
    solo: string | null;
    /** What is pinned over the page: the picked material in the light, or a picture by its id; null: nothing. */
    maquette: number | null;
    /** Whether passes are left out, while a key is held. */
    isUnlit: boolean;
}

export const paintAtFirst = (): PaintView => ({
    size: 60,
    opacity: 1,
    flow: null,
    boxed: null,
    isWithin: false,
    isDrawingFlow: false,
    movedOutline: null,
    carried: remembered(),
    tried: null,
    solo: null,
    maquette: null,
    isUnlit: false,
});

/** What another stage begins without. */
export const paintLeft: Partial<PaintView> = {
    isDrawingFlow: false,
    movedOutline: null,
    tried: null,
    solo: null,
};

export class PaintModel {
    constructor(private readonly bench: BenchModel) {}

    get brush(): BrushData {
        const { size, opacity, steady, boxed } = this.bench.view;
        const round = { size, hardness: boxed?.hardness ?? 1, opacity, smoothing: steady };
        const tip = this.tip;
        return tip === null ? round : { ...round, tip };
    }

    get tip(): TipData | null {
        return tipOf(this.bench.view);
    }

    /** Takes another brush in hand; null: the one that lies first. It flows as it was made. */
    take(boxed: BoxedBrush | null): void {
        this.bench.set({ boxed, flow: null });
    }

    /** Remembers what was drawn round of a pass, to put it elsewhere. */
    carry(pass: string): void {
        const { movedOutline } = this.bench.view;
        const { records, palette, id } = this.bench.session.view;
        if (movedOutline === null || records.pass[pass] === undefined) return;
        const { name, figure } = records.pass[pass];
        const of = palette.figures.find((one) => one.id === figure);
        this.keepCarried({
            page: id,
            pass,
            name: of === undefined ? name : `${name} of ${of.name}`,
            outline: movedOutline,
        });
    }

    keepCarried(carried: Carried | null): void {
        remember(carried);
        this.bench.set({ carried });
    }

    /** Puts it into the picked pass, and has it in hand there. */
    placeCarried(): void {
        const { carried, target } = this.bench.view;
        const { id: page, rules, records } = this.bench.session.view;
        if (carried === null || target === null) return;
        const size = records.page.page;
        const by = wayOf(
            carried,
            page,
            this.bench.surface?.middle() ?? { x: (size?.width ?? 0) / 2, y: (size?.height ?? 0) / 2 },
        );
        const { id: pass, make } = passFor(rules, records, target);
        const outline = carried.outline.map(({ x, y }): [number, number] => [x, y]);
        this.bench.session.apply(placePaint({ pass, make, page: carried.page, from: carried.pass, outline, by }));
        this.bench.set({ movedOutline: carried.outline.map(({ x, y }) => ({ x: x + by[0], y: y + by[1] })) });
    }

    /** Moves, copies, turns or scales the paint inside the outline, and the outline with it. */
    movePaint(pass: string, how: Partial<Pick<MovePaintInput, 'by' | 'turn' | 'scale' | 'copy'>>): void {
        const { movedOutline, axis } = this.bench.view;
        if (movedOutline === null) return;
        const { by, turn, scale, copy } = {
            by: [0, 0] as [number, number],
            turn: 0,
            scale: [1, 1] as [number, number],
            copy: false,
            ...how,
        };
        const outline = movedOutline.map(({ x, y }): [number, number] => [x, y]);
        this.bench.session.apply(movePaint({ pass, outline, by, turn, scale, copy, into: null, mirror: axis }));
        this.bench.set({ movedOutline: turnedSpots(movedOutline, by, turn, scale) });
    }

    /** The next drag of Pick says which way the picked regions run; or does not, after all. */
    drawFlow(isOn: boolean): void {
        this.bench.set(isOn ? { tool: 'choose', isDrawingFlow: true } : { isDrawingFlow: false });
    }

    /** Every edge in a pass, as the Soften tool is set. */
    softenAll(pass: string): void {
        const { softness, isSoftApart } = this.bench.view;
        this.bench.session.apply(
            softenPass({
                pass,
                by: softness,
                brush: null,
                points: [],
                inside: [],
                mirror: null,
                apart: isSoftApart,
            }),
        );
    }
}
