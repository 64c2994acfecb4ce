import type { BenchModel } from '../model/model';
import { gather } from './regions';
import type { Tool, ToolHost } from './tool';
import { fillRegions } from '../../page/ops/flats/fillRegions';
import { filledWith } from '../../page/ops/shown';

export const pickFirst = ({ bench }: ToolHost): string | null =>
    bench.target === null ? 'Pick a material at the left first; then click a region to fill it.' : null;

export function fillWith({ bench }: ToolHost, labels: number[]): void {
    if (bench.target !== null)
        bench.session.apply(fillRegions({ labels: labels, ...filledWith(bench.target.material) }));
}

export function fillSentence({ target }: BenchModel): string {
    return target === null
        ? 'Pick a material at the left, then click regions to fill them'
        : `Filling with ${target.figureName}’s ${target.material.name}`;
}

export const fill: Tool = {
    id: 'fill',
    name: 'Fill',
    key: 'F',
    what: 'Click a region to give it the picked material; Alt-click picks the material that is there',
    cursor: 'crosshair',
    options: [],
    sentence: fillSentence,
    begin(host, point) {
        if (!point.alt) return gather(host, point, { drags: false, refuses: pickFirst, done: fillWith });
        host.bench.pickFrom(host.labelAt(point.x, point.y));
        return null;
    },
};
