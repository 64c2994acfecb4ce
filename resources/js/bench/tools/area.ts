/** A shade or a light is drawn round, and is there: the commonest gesture of all. */
import type { AxisData } from '../../api/generated';
import { inMirror, type Spot } from '../model/lines';
import { aimAt, laidAs, type Aim } from './aim';
import { CoverPreview } from './coverPreview';
import { joined, shapeCover, type Cover } from './covering';
import { OutlineGesture, thinned } from './outline';
import { strokeSentence } from './strokes';
import type { Gesture, Tool, ToolHost, ToolPoint } from './tool';
import { paintShape } from '../../page/ops/paint/paintShape';
import { Opacity, Within } from '../options/brush';
import { AreaWithChoice } from '../options/shapes';
import { drawCorners } from './corners';
import type { AreaWith } from './ways';

/** Screen pixels within which a press on a corner means that corner. */
const CLOSE = 10;

export interface AreaView {
    /** What Block is drawn with. */
    areaWith: AreaWith;
}

export const areaAtFirst: AreaView = { areaWith: 'loop' };

export const area: Tool = {
    id: 'area',
    name: 'Block',
    key: 'Z',
    what: 'Draw round a shade or a light and it is filled; with Alt it is taken away',
    cursor: 'crosshair',
    options: [AreaWithChoice, Opacity, Within],
    isMirrored: true,
    overlay: drawCorners,
    sentence: (bench) => `${strokeSentence(bench, false)} · what you draw round`,
    begin(host, start) {
        const aim = aimAt(host, start, start.alt);
        if (aim === null) return null;
        if (host.bench.view.areaWith === 'corners') return setCorner(host, aim, start);
        return new OutlineGesture(start, (outline) => lay(host, aim, outline));
    },
    end(host) {
        const { draft } = host.bench.view;
        const aim = draft.length > 2 ? aimAt(host, draft[0], false) : null;
        if (aim === null) return;
        host.bench.set({ draft: [] });
        lay(host, aim, draft);
    },
};

function setCorner(host: ToolHost, aim: Aim, { x, y }: ToolPoint): Gesture | null {
    const { bench, view } = host;
    const { draft } = bench.view;
    const isOn = (corner: Spot): boolean => Math.hypot(x - corner.x, y - corner.y) * view.scale <= CLOSE;
    if (draft.length > 2 && (isOn(draft[0]) || isOn(draft[draft.length - 1]))) {
        bench.set({ draft: [] });
        lay(host, aim, draft);
    } else bench.set({ draft: [...draft, { x, y }] });
    return null;
}

function lay(host: ToolHost, aim: Aim, outline: Spot[]): void {
    if (outline.length < 3) return;
    const corners = thinned(outline);
    const { axis } = host.bench.view;
    new CoverPreview(host, aim).show(twinCover(host, corners, axis));
    host.bench.session.apply(paintShape({ laying: laidAs(aim), outline: corners, mirror: axis }));
}

/** A shape, and with a mirror its twin; where both lie it is no darker. */
function twinCover(host: ToolHost, corners: [number, number][], axis: AxisData | null): Cover {
    const cover = (shape: [number, number][]): Cover => {
        const spots = shape.map(([x, y]) => ({ x, y }));
        return shapeCover(spots, host.level, host.places(spots));
    };
    const here = cover(corners);
    return axis === null ? here : joined(here, cover(corners.map(([x, y]) => inMirror(x, y, axis))));
}
