import { Dialog } from '../ui/Dialog';

const KEYS: [string, string][] = [
    ['1 – 5', 'tones of the material, dark to light'], ['0', 'line colour'], ['Tab', 'next figure'], ['[ ]', 'smaller, larger brush'],
    ['P', 'pen'], ['A', 'soft pen'], ['X', 'eraser'], ['E', 'erase while held'], ['Shift', 'straight stroke'], ['F', 'fill'], ['S', 'sweep'], ['U', 'unfill'], ['N', 'next unfilled region'],
    ['Space', 'drag the page'], ['Wheel', 'zoom about the pointer'], ['O', 'whole page'], ['V', 'mirror the view'], ['R', 'turn the view'],
    ['G', 'grey'], ['H', 'hide overlays'], ['Ctrl Z', 'undo'], ['Ctrl Shift Z', 'redo'], ['?', 'this sheet'],
];

export function KeySheet({ onClose }: { onClose: () => void }) {
    return (
        <Dialog title="Keys" onClose={onClose}>
            <dl className="grid grid-cols-[auto_1fr_auto_1fr] gap-x-3 gap-y-1.5">
                {KEYS.map(([key, what]) => (
                    <div key={key} className="contents"><dt><kbd className="key">{key}</kbd></dt><dd>{what}</dd></div>
                ))}
            </dl>
        </Dialog>
    );
}
