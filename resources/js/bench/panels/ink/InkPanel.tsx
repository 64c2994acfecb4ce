/**
 * The ink: the drawings on the page with their clean-up and place, the lines that are picked, and what is left to do.
 */
import { api } from '../../../api/client';
import type { DrawingData } from '../../../api/generated';
import { mayColour, mayFlat, sizeOf } from '../../../page/store';
import { isGoing } from '../../../api/tasks';
import { ColourField } from '../../../ui/ColourField';
import { FilePicker } from '../../../ui/FilePicker';
import { NumberField } from '../../../ui/NumberField';
import { Panel } from '../../../ui/Panel';
import { Tick } from '../../../ui/Tick';
import { useBench, useBenchModel, usePage, useSession } from '../../model/context';
import { CleanUp } from './CleanUp';
import { FileButton } from './ImportBox';
import { PickedLines } from './PickedLines';
import { PlaceFields } from './PlaceFields';
import { TidyLines } from './TidyLines';
import { drawLinesOf } from '../../../page/commands/lines';
import { changeDrawing } from '../../../page/ops/ink/changeDrawing';

export function InkPanel() {
    const isEmpty = usePage((view) => sizeOf(view) === null);
    const isPicking = useBench((view) => view.pickedLines.length > 0);
    const hasLines = usePage((view) => Object.keys(view.records.stroke).length > 1);
    if (isEmpty)
        return (
            <Panel title="Drawings" help="ink#drawings">
                <p className="quiet text-[13px]">Once a scan is imported, it is cleaned and placed here.</p>
            </Panel>
        );
    return (
        <Panel title={isPicking ? 'Picked lines' : 'Drawings'} help={isPicking ? 'ink#pick' : 'ink#drawings'}>
            <Behind />
            <AxisFields />
            {isPicking ? <PickedLines /> : <Drawings />}
            {!isPicking && hasLines && <TidyLines />}
            {!isPicking && <PageSizePart />}
        </Panel>
    );
}

function Drawings() {
    const drawings = usePage((view) => view.records.drawing);
    const isBlocked = usePage((view) => !mayFlat(view) || isGoing(view.task));
    const bench = useBenchModel();
    useBench((view) => view.drawing);
    const picked = bench.ink.drawing;
    const lines = usePage((view) => Object.keys(view.records.stroke).length);
    return (
        <div className="flex flex-col gap-3">
            <ul>
                {Object.entries(drawings).map(([id, drawing]) => (
                    <DrawingRow key={id} id={id} drawing={drawing} isPicked={id === picked?.[0]} />
                ))}
            </ul>
            {lines > 0 && (
                <p className="quiet text-[13px]">and {lines === 1 ? 'one line' : `${lines} lines`} drawn here</p>
            )}
            <div className="flex flex-wrap gap-2">
                <FileButton label="Add a drawing" disabled={isBlocked} />
                <LinesIn />
                {lines > 0 && <LinesOut />}
            </div>
            {picked !== null && <Settings key={picked[0]} id={picked[0]} drawing={picked[1]} isBlocked={isBlocked} />}
        </div>
    );
}

function DrawingRow({ id, drawing, isPicked }: { id: string; drawing: DrawingData; isPicked: boolean }) {
    const bench = useBenchModel();
    return (
        <li className={isPicked ? 'stripe-side pl-2' : 'pl-2'}>
            <button
                className="bare w-full text-left"
                aria-pressed={isPicked}
                onClick={() => bench.set({ drawing: id, trial: null, compare: 0 })}
            >
                <span className={`block truncate ${isPicked ? 'heading' : ''}`} title={drawing.name}>
                    {drawing.name}
                </span>
                <span className="quiet figures block text-[13px]">
                    {drawing.width} × {drawing.height} px · {drawing.role === 'ink' ? 'ink' : 'underdrawing'}
                    {drawing.visible ? '' : ', hidden'}
                </span>
            </button>
        </li>
    );
}

/** What the tool is about: where the drawing lies, or how it is cleaned. */
function Settings({ id, drawing, isBlocked }: { id: string; drawing: DrawingData; isBlocked: boolean }) {
    const bench = useBenchModel();
    const isPlacing = useBench((view) => view.tool === 'place');
    return (
        <>
            <Role id={id} drawing={drawing} isBlocked={isBlocked} />
            <div className="rule-t flex gap-2 pt-3" role="group" aria-label="Settings of the drawing">
                <button
                    className="act"
                    aria-pressed={!isPlacing}
                    onClick={() => bench.set({ tool: isPlacing ? 'ink' : bench.view.tool })}
                >
                    Clean-up
                </button>
                <button className="act" aria-pressed={isPlacing} onClick={() => bench.set({ tool: 'place' })}>
                    Place
                </button>
            </div>
            {isPlacing ? (
                <PlaceFields id={id} drawing={drawing} isBlocked={isBlocked} />
            ) : (
                <CleanUp id={id} drawing={drawing} isBlocked={isBlocked} />
            )}
        </>
    );
}

function Role({ id, drawing, isBlocked }: { id: string; drawing: DrawingData; isBlocked: boolean }) {
    const session = useSession();
    const isUnder = drawing.role === 'underdrawing';
    const strength = Math.round(drawing.strength * 100);
    return (
        <div className="rule-t flex flex-col gap-2 pt-3">
            <div className="flex gap-2" role="group" aria-label="What the drawing is">
                <button
                    className="act"
                    aria-pressed={!isUnder}
                    disabled={isBlocked}
                    onClick={() => session.apply(changeDrawing({ id, values: { role: 'ink' } }))}
                >
                    Ink
                </button>
                <button
                    className="act"
                    aria-pressed={isUnder}
                    disabled={isBlocked}
                    onClick={() => session.apply(changeDrawing({ id, values: { role: 'underdrawing' } }))}
                >
                    Underdrawing
                </button>
            </div>
            {isUnder && (
                <div className="flex items-center gap-2 text-[13px]">
                    <ColourField
                        label="Tint"
                        value={drawing.tint}
                        disabled={isBlocked}
                        onChange={(tint) => session.preview(changeDrawing({ id, values: { tint } }))}
                        onSettle={(tint) => session.apply(changeDrawing({ id, values: { tint } }))}
                    />
                    <input
                        type="range"
                        aria-label="Strength"
                        className="slide min-w-0 flex-1"
                        max={100}
                        value={strength}
                        disabled={isBlocked}
                        onChange={(event) =>
                            session.preview(
                                changeDrawing({ id, values: { strength: Number(event.target.value) / 100 } }),
                            )
                        }
                        onPointerUp={() => session.apply(changeDrawing({ id, values: { strength: strength / 100 } }))}
                        onKeyUp={() => session.apply(changeDrawing({ id, values: { strength: strength / 100 } }))}
                    />
                    <span className="figures w-11 text-right">{strength} %</span>
                </div>
            )}
            {isUnder && (
                <Tick
                    className="text-[13px]"
                    checked={drawing.above}
                    disabled={isBlocked}
                    onChange={(above) => session.apply(changeDrawing({ id, values: { above } }))}
                >
                    Above the ink
                </Tick>
            )}
        </div>
    );
}

/** Lines have changed since the regions were found. */
function Behind() {
    const session = useSession();
    const isBehind = usePage((view) => sizeOf(view)?.behind === true);
    const isBlocked = usePage((view) => !mayFlat(view) || isGoing(view.task));
    if (!isBehind) return null;
    return (
        <div className="rule-b mb-3 flex flex-col gap-2 pb-3 text-[13px]">
            <p>The lines have changed since the regions were found. What is filled keeps its material.</p>
            <button
                className="act main self-start"
                disabled={isBlocked}
                onClick={() => void session.work.findRegions()}
            >
                Find the regions
            </button>
        </div>
    );
}

/** Where the mirror stands, in numbers. */
function AxisFields() {
    const bench = useBenchModel();
    const axis = useBench((view) => view.axis);
    if (axis === null) return null;
    return (
        <div className="rule-b mb-3 grid grid-cols-3 gap-2 pb-3">
            <NumberField
                label="Mirror at x"
                className="w-full"
                value={axis.x}
                least={-60000}
                most={60000}
                onChange={(x) => bench.set({ axis: { ...axis, x } })}
            />
            <NumberField
                label="at y"
                className="w-full"
                value={axis.y}
                least={-60000}
                most={60000}
                onChange={(y) => bench.set({ axis: { ...axis, y } })}
            />
            <NumberField
                label="Turn, °"
                className="w-full"
                value={Math.round((-axis.turn * 1800) / Math.PI) / 10}
                least={-180}
                most={180}
                onChange={(degrees) => bench.set({ axis: { ...axis, turn: (-degrees * Math.PI) / 180 } })}
            />
        </div>
    );
}

function LinesOut() {
    const page = usePage((view) => view.id);
    return (
        <a className="act" href={api.linesUrl(page)} download title="The lines drawn here, for other programs">
            Lines as SVG
        </a>
    );
}

function LinesIn() {
    const bench = useBenchModel();
    const session = useSession();
    const isBlocked = usePage((view) => !mayColour(view));
    const draw = async (file: File): Promise<void> => bench.set({ pickedLines: await drawLinesOf(session, file) });
    return (
        <FilePicker
            label="Lines from SVG"
            name="Lines to draw"
            accept="image/svg+xml,.svg"
            title="Lines with a width, from an SVG file"
            disabled={isBlocked}
            onFiles={([file]) => void draw(file)}
        />
    );
}

const FACTORS = [1.5, 2, 3];

/** How large the page is, and larger for finer lines. */
function PageSizePart() {
    const session = useSession();
    const size = usePage(sizeOf);
    const isBlocked = usePage((view) => !mayColour(view) || isGoing(view.task));
    if (size === null) return null;
    return (
        <div className="rule-t mt-3 flex flex-col gap-2 pt-3 text-[13px]">
            <h3 className="heading">Page</h3>
            <p className="figures">
                {size.width} × {size.height} px{size.dpi > 0 ? `, ${size.dpi} dpi` : ''}
            </p>
            <GridFields />
            <div className="flex items-center gap-2" role="group" aria-label="Enlarge the page">
                <span className="quiet">Enlarge</span>
                {FACTORS.map((factor) => (
                    <button
                        key={factor}
                        className="act"
                        disabled={isBlocked}
                        title={`to ${Math.round(size.width * factor)} × ${Math.round(size.height * factor)} px: lines drawn here become sharper, all else follows`}
                        onClick={() => void session.work.enlarge(factor)}
                    >
                        {factor} ×
                    </button>
                ))}
            </div>
        </div>
    );
}

/** A square grid, and whether straight lines and shapes keep to it. */
function GridFields() {
    const bench = useBenchModel();
    const grid = useBench((view) => view.grid);
    const isSnapping = useBench((view) => view.isSnapping);
    return (
        <div className="flex items-end gap-3">
            <NumberField
                label="Grid, px"
                value={grid}
                least={0}
                most={4000}
                onChange={(step) => bench.set({ grid: step })}
            />
            {grid > 0 && (
                <Tick checked={isSnapping} onChange={(isOn) => bench.set({ isSnapping: isOn })}>
                    Snap to the grid
                </Tick>
            )}
        </div>
    );
}
