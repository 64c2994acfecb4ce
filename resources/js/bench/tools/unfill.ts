import { gather } from './regions';
import type { Tool, ToolHost } from './tool';

function unfillAll({ bench }: ToolHost, labels: number[]): void {
    const { region } = bench.session.view.records;
    const filled = labels.filter((label) => (region[label]?.material ?? 0) !== 0);
    if (filled.length > 0) bench.session.fill(filled, null);
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
