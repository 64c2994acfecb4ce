import { inMirror, type Spot } from '../model/lines';
import { aimAt, laidAs } from './aim';
import { CoverPreview } from './coverPreview';
import { regionCover } from './covering';
import { strokeSentence } from './strokes';
import type { Tool, ToolHost } from './tool';
import { pourPaint } from '../../page/ops/paint/pourPaint';
import { Opacity } from '../options/brush';

export const pour: Tool = {
    id: 'pour',
    name: 'Pour',
    key: 'F',
    what: 'Click a region to cover all of it; Shift: the whole figure; Alt: clear it',
    cursor: 'crosshair',
    options: [Opacity],
    isMirrored: true,
    sentence: (bench) => `${strokeSentence(bench, false)} · all of a region`,
    begin(host, point) {
        const label = host.labelAt(point.x, point.y);
        const labels = withTwins(host, point, label).flatMap((one) => (point.shift ? figureOf(host, one) : [one]));
        const aim = aimAt(host, point, point.alt);
        if (aim === null) return null;
        if (label === 0 || labels.length === 0) {
            host.bench.session.say('There is no region here. Click inside of one.');
            return null;
        }
        new CoverPreview(host, { ...aim, inside: [] }).show(regionCover(host, labels, host.places(null)));
        host.bench.session.apply(pourPaint({ laying: { ...laidAs(aim), inside: [] }, labels }));
        return null;
    },
};

/** A region, and with a mirror the one that lies where the pointer is seen in it. */
function withTwins(host: ToolHost, point: Spot, label: number): number[] {
    const { axis } = host.bench.view;
    if (axis === null) return [label];
    const twin = host.labelAt(...inMirror(point.x, point.y, axis));
    return twin === 0 || twin === label ? [label] : [label, twin];
}

/** All regions of the figure a region is of. */
function figureOf({ bench }: ToolHost, label: number): number[] {
    const { region } = bench.session.view.records;
    const figure = region[label]?.figure ?? 0;
    return Object.keys(region)
        .map(Number)
        .filter((one) => figure !== 0 && region[one].figure === figure);
}
