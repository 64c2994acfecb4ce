/** What can be done with the lines that are picked. */
import type { InkStrokeData } from '../../../api/generated';
import { mayColour } from '../../../page/store';
import { joined, middleOf, mirrored, moved, reshaped } from '../../model/lines';
import { HEAVIEST_LINE } from '../../model/limits';
import { useBench, useBenchModel, usePage, useSession } from '../../model/context';
import { addLines } from '../../../page/commands/lines';
import { drawInk } from '../../../page/ops/ink/drawInk';

/** Radians of a step. */
const TURN = Math.PI / 36;
const GROW = 1.1;

const pickedSentence = (count: number): string =>
    count === 1 ? 'One line is picked. Drag it on the page.' : `${count} lines are picked. Drag them on the page.`;

export function PickedLines() {
    const bench = useBenchModel();
    const session = useSession();
    useBench((view) => view.pickedLines);
    usePage((view) => view.records.stroke);
    const isBlocked = usePage((view) => !mayColour(view));
    const lines = bench.ink.pickedLines;
    const strokes = lines.map(([, stroke]) => stroke);
    const put = (changed: InkStrokeData[]): void =>
        session.apply(drawInk({ strokes: lines.map(([id], i) => ({ id, stroke: changed[i] })) }));
    const copy = (changed: InkStrokeData[]): void => bench.set({ pickedLines: addLines(session, changed) });
    const each = (change: (stroke: InkStrokeData) => Partial<InkStrokeData>): void =>
        put(strokes.map((stroke) => ({ ...stroke, ...change(stroke) })));
    const heavier = (by: number): void =>
        each(({ weight }) => ({ weight: Math.max(1, Math.min(HEAVIEST_LINE, weight + by)) }));
    const drier = (by: number): void =>
        each(({ grain }) => ({ grain: Math.max(0, Math.min(1, Math.round((grain + by) * 10) / 10)) }));
    const reflect = (): InkStrokeData[] =>
        strokes.map((stroke) => mirrored(stroke, bench.view.axis ?? { ...middleOf(strokes), turn: 0 }));
    const actions: [string, string, () => void][] = [
        ['Heavier', 'a pixel more', () => heavier(1)],
        ['Lighter', 'a pixel less', () => heavier(-1)],
        ['Larger', 'by a tenth', () => put(reshaped(strokes, GROW, 0))],
        ['Smaller', 'by a tenth', () => put(reshaped(strokes, 1 / GROW, 0))],
        ['Turn left', 'by five degrees', () => put(reshaped(strokes, 1, -TURN))],
        ['Turn right', 'by five degrees', () => put(reshaped(strokes, 1, TURN))],
        ['Mirror', 'in the axis, or in place', () => put(reflect())],
        ['Mirrored copy', 'the other eye', () => copy(reflect())],
        ['Drier', 'more of the paper shows in them', () => drier(0.1)],
        ['Wetter', 'less of the paper shows in them', () => drier(-0.1)],
        ['Copy', 'a little aside', () => copy(strokes.map((stroke) => moved(stroke, 20, 20)))],
    ];
    return (
        <div className="flex flex-col gap-3 text-[13px]">
            <p>{pickedSentence(lines.length)}</p>
            <div className="grid grid-cols-2 gap-2">
                {actions.map(([name, what, run]) => (
                    <button
                        key={name}
                        className="act justify-center"
                        title={what}
                        disabled={isBlocked || lines.length === 0}
                        onClick={run}
                    >
                        {name}
                    </button>
                ))}
            </div>
            <Handling lines={lines} isBlocked={isBlocked} />
        </div>
    );
}

interface HandlingProps {
    lines: [string, InkStrokeData][];
    isBlocked: boolean;
}

/** What is not done to each line by itself. */
function Handling({ lines, isBlocked }: HandlingProps) {
    const bench = useBenchModel();
    const session = useSession();
    const isReshaping = useBench((view) => view.isReshaping);
    const join = (): void => {
        const [[first, a], [second, b]] = lines;
        session.apply(
            drawInk({
                strokes: [
                    { id: first, stroke: joined(a, b) },
                    { id: second, stroke: null },
                ],
            }),
        );
        bench.set({ pickedLines: [first] });
    };
    return (
        <div className="flex flex-wrap gap-2">
            <button className="act" aria-pressed={isReshaping} onClick={() => bench.set({ isReshaping: !isReshaping })}>
                Pull into shape
            </button>
            <button
                className="act"
                disabled={isBlocked || lines.length !== 2}
                title="two lines, from end to nearest end"
                onClick={join}
            >
                Join
            </button>
            <button className="act" disabled={isBlocked} onClick={() => bench.ink.removePicked()}>
                Delete <kbd className="key">Del</kbd>
            </button>
            <button className="bare" onClick={() => bench.set({ pickedLines: [] })}>
                Pick none
            </button>
        </div>
    );
}
