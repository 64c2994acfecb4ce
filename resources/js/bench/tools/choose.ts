import { drawFlow } from './flow';
import { gather } from './regions';
import type { Tool, ToolHost } from './tool';

const choosing = ({ bench }: ToolHost, labels: number[], isMore: boolean): void => {
    const { pickedRegions } = bench.view;
    if (!isMore) return bench.set({ pickedRegions: labels });
    const isAll = labels.every((label) => pickedRegions.includes(label));
    bench.set({
        pickedRegions: isAll
            ? pickedRegions.filter((label) => !labels.includes(label))
            : [...new Set([...pickedRegions, ...labels])],
    });
};

export const choose: Tool = {
    id: 'choose',
    name: 'Pick',
    key: 'K',
    what: 'Click or sweep regions to pick them; Shift adds to them. What can be done with them stands at the right. Esc picks none',
    cursor: 'crosshair',
    options: [],
    sentence: ({ view: { pickedRegions, isDrawingFlow } }) =>
        isDrawingFlow
            ? 'Draw over the picked regions, the way hair or folds run; Esc leaves it'
            : pickedRegions.length === 0
              ? 'Picking regions: click one, or sweep across several'
              : `${pickedRegions.length === 1 ? 'One region is' : `${pickedRegions.length} regions are`} picked; Shift-click adds, Esc picks none`,
    begin: (host, point) =>
        host.bench.view.isDrawingFlow
            ? drawFlow(host, point)
            : gather(host, point, {
                  drags: true,
                  refuses: () => null,
                  done: (by, labels) => choosing(by, labels, point.shift),
              }),
};
