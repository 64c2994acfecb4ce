import { gather } from './regions';
import type { Tool, ToolHost } from './tool';
import { fillRegions } from '../../page/ops/flats/fillRegions';
import { filledWith } from '../../page/ops/shown';

function unfillAll({ bench }: ToolHost, labels: number[]): void {
    const { region } = bench.session.view.records;
    const filled = labels.filter((label) => (region[label]?.material ?? 0) !== 0);
    if (filled.length > 0) bench.session.apply(fillRegions({ labels: filled, ...filledWith(null) }));
}

export const unfill: Tool = {
    id: 'unfill',
    name: 'Unfill',
    key: 'U',
    what: 'Click or drag to take the material away',
    cursor: 'crosshair',
    options: [],
    sentence: () => 'Clicked or swept regions lose their material',
    begin: (host, point) => gather(host, point, { drags: true, refuses: () => null, done: unfillAll }),
};
