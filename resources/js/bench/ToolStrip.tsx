/** The few tools of a stage, by the hand, in words; and what the picked one can be set to. */
import type { ReactNode } from 'react';
import { RAMP_FORMS, SHAPE_USES, TIP_RANGES, type RampForm, type ShapeUse } from '../api/generated';
import { Choice } from '../ui/Choice';
import { Slide } from '../ui/Slide';
import { Tick } from '../ui/Tick';
import { mayColour } from '../page/store';
import { passFor } from '../page/target';
import { BrushChoice } from './BrushChoice';
import { useBench, useBenchModel, usePage, useTarget } from './model/context';
import { HEAVIEST_LINE, LARGEST_BRUSH, STEADIEST } from './model/limits';
import { AREA_WITH, BLOCK_WITH, type AreaWith, type BlockWith } from './model/model';
import { SHAPES, type Shape } from './model/shapes';
import { hasTwoRows, stageOf } from './stages/stage';
import { TOOLS } from './tools/registry';
import type { Tool, ToolOption } from './tools/tool';

export function ToolStrip() {
    const stage = stageOf(useBench((view) => view.stage));
    const tool = TOOLS[useBench((view) => view.tool)];
    // A stage with one tool and nothing to set needs no strip.
    if (stage.tools.length < 2) return null;
    return (
        <div
            role="toolbar"
            aria-label={`${stage.name} tools`}
            className="absolute inset-x-0 bottom-3 z-10 mx-auto flex w-fit max-w-full flex-col gap-1.5 whitespace-nowrap border border-base-300 bg-base-100 px-2 py-1.5"
        >
            <div className={`flex items-center ${hasTwoRows(stage) ? 'gap-1' : 'gap-2'}`}>
                {stage.tools.map((id) => (
                    <ToolButton key={id} tool={TOOLS[id]} isPicked={id === tool.id} isNarrow={stage.tools.length > 7} />
                ))}
                {!hasTwoRows(stage) && <Options of={tool.options} />}
                {hasTwoRows(stage) && <Options of={tool.options.filter(isOfAllTools)} />}
            </div>
            {hasTwoRows(stage) && <SecondRow tool={tool} />}
        </div>
    );
}

/** What stays as it is when another tool is taken: it stands with the tools, not with what one of them can be set to. */
const isOfAllTools = (option: ToolOption): boolean => option === 'axis';

function SecondRow({ tool }: { tool: Tool }) {
    const own = tool.options.filter((option) => !isOfAllTools(option));
    return (
        <div className="flex min-h-8 flex-wrap items-center gap-x-2.5 gap-y-1">
            {own.length === 0 ? <span className="quiet text-[13px]">{tool.what}</span> : <Options of={own} />}
        </div>
    );
}

function Options({ of }: { of: ToolOption[] }) {
    return of.map((option) => <Option key={option} option={option} />);
}

function ToolButton({ tool, isPicked, isNarrow }: { tool: Tool; isPicked: boolean; isNarrow: boolean }) {
    const bench = useBenchModel();
    return (
        <button
            className={`act ${isNarrow ? 'narrow' : ''}`}
            title={tool.what}
            aria-pressed={isPicked}
            onClick={() => bench.set({ tool: tool.id })}
        >
            {tool.name} <kbd className="key">{tool.key}</kbd>
        </button>
    );
}

const OPTIONS: Record<ToolOption, () => ReactNode> = {
    brush: BrushChoice,
    size: Size,
    opacity: Opacity,
    flow: Flow,
    steady: Steady,
    weight: Weight,
    taper: Taper,
    grain: Grain,
    axis: AxisSwitch,
    shape: ShapeChoice,
    cut: Cut,
    shapeUse: ShapeUseChoice,
    blockWith: BlockWithChoice,
    areaWith: AreaWithChoice,
    rampForm: RampFormChoice,
    rampThrough: RampThrough,
    softness: Softness,
    strength: Strength,
    within: Within,
    lifted: Lifted,
};

function Option({ option }: { option: ToolOption }) {
    const Control = OPTIONS[option];
    return <Control />;
}

/** The slider runs by the root of the size: small brushes need fine steps. */
function Size() {
    const bench = useBenchModel();
    const size = useBench((view) => view.size);
    const set = (value: number): void => bench.set({ size: Math.max(1, Math.round((value / 10) ** 2)) });
    return (
        <Slide
            label="Size"
            room={7}
            value={Math.round(Math.sqrt(size) * 10)}
            most={Math.round(Math.sqrt(LARGEST_BRUSH) * 10)}
            shown={`${size} px`}
            onChange={set}
        />
    );
}

function Opacity() {
    const bench = useBenchModel();
    const opacity = useBench((view) => Math.round(view.opacity * 100));
    return (
        <Slide
            label="Opacity"
            title="The most that one stroke lays"
            value={opacity}
            most={100}
            shown={`${opacity} %`}
            onChange={(value) => bench.set({ opacity: value / 100 })}
        />
    );
}

/** A brush without a tip lays all of a stroke at once. */
function Flow() {
    const bench = useBenchModel();
    const flow = useBench(({ boxed, flow: set }) => set ?? boxed?.tip?.flow ?? null);
    const hasTip = useBench(({ boxed }) => boxed !== null && boxed.tip !== null);
    if (flow === null || !hasTip) return null;
    const percent = Math.round(flow * 100);
    return (
        <Slide
            label="Flow"
            title="How much each mark of the tip adds: less builds up more slowly"
            value={percent}
            least={Math.round(100 * TIP_RANGES.flow[0])}
            most={100}
            shown={`${percent} %`}
            onChange={(value) => bench.set({ flow: value / 100 })}
        />
    );
}

function Steady() {
    const bench = useBenchModel();
    const steady = useBench((view) => Math.round((view.steady / STEADIEST) * 10));
    return (
        <Slide
            label="Steady"
            room={2}
            value={steady}
            most={10}
            shown={`${steady}`}
            onChange={(value) => bench.set({ steady: (value / 10) * STEADIEST })}
        />
    );
}

function Weight() {
    const bench = useBenchModel();
    const weight = useBench((view) => view.weight);
    const set = (value: number): void => bench.set({ weight: Math.max(1, Math.round((value / 10) ** 2 * 2) / 2) });
    return (
        <Slide
            label="Weight"
            value={Math.round(Math.sqrt(weight) * 10)}
            most={Math.round(Math.sqrt(HEAVIEST_LINE) * 10)}
            shown={`${weight} px`}
            onChange={set}
        />
    );
}

function Taper() {
    const bench = useBenchModel();
    const taper = useBench((view) => Math.round(view.taper * 100));
    return <Slide label="Taper" value={taper} most={50} shown={`${taper} %`} onChange={(value) => bench.set({ taper: value / 100 })} />;
}

function Grain() {
    const bench = useBenchModel();
    const grain = useBench((view) => Math.round(view.grain * 100));
    return <Slide label="Grain" value={grain} most={100} shown={`${grain} %`} onChange={(value) => bench.set({ grain: value / 100 })} />;
}

function AxisSwitch() {
    const bench = useBenchModel();
    const isOn = useBench((view) => view.axis !== null);
    return (
        <button
            className="act"
            aria-pressed={isOn}
            title="All that is drawn is drawn again on the other side; the axis stands in the middle of what is in view: drag its square to move it, its rhomb to turn it (Shift: by 15°)"
            onClick={() => bench.toggleAxis()}
        >
            Mirror <kbd className="key">Y</kbd>
        </button>
    );
}

const SHAPE_NAMES: Record<Shape, string> = { corners: 'corners', curve: 'smooth curve', ellipse: 'ellipse' };

function ShapeChoice() {
    const bench = useBenchModel();
    const shape = useBench((view) => view.shape);
    return (
        <Choice
            label="Shape"
            isLabelHidden
            value={shape}
            options={SHAPES}
            names={SHAPE_NAMES}
            onChange={(one) => bench.set({ shape: one, draft: [] })}
        />
    );
}

const USE_NAMES: Record<ShapeUse, string> = { add: 'add what is inside', take: 'take it away', keep: 'keep only that' };

function ShapeUseChoice() {
    const bench = useBenchModel();
    const use = useBench((view) => view.shapeUse);
    return (
        <Choice
            label="What it does"
            isLabelHidden
            value={use}
            options={SHAPE_USES}
            names={USE_NAMES}
            onChange={(one) => bench.set({ shapeUse: one })}
        />
    );
}

const BLOCK_NAMES: Record<BlockWith, string> = {
    loop: 'with a loop',
    corners: 'with corners',
    pen: 'with a broad pen',
    push: 'pushing a border',
};

function BlockWithChoice() {
    const bench = useBenchModel();
    const way = useBench((view) => view.blockWith);
    return (
        <Choice
            label="Drawn"
            isLabelHidden
            value={way}
            options={BLOCK_WITH}
            names={BLOCK_NAMES}
            onChange={(one) => bench.set({ blockWith: one, draft: [] })}
        />
    );
}

const AREA_NAMES: Record<AreaWith, string> = { loop: 'freehand', corners: 'with corners' };

function AreaWithChoice() {
    const bench = useBenchModel();
    const way = useBench((view) => view.areaWith);
    return (
        <Choice
            label="Drawn"
            isLabelHidden
            value={way}
            options={AREA_WITH}
            names={AREA_NAMES}
            onChange={(one) => bench.set({ areaWith: one, draft: [] })}
        />
    );
}

const RAMP_NAMES: Record<RampForm, string> = { straight: 'straight', round: 'round' };

function RampFormChoice() {
    const bench = useBenchModel();
    const form = useBench((view) => view.rampForm);
    return (
        <Choice
            label="Form"
            isLabelHidden
            value={form}
            options={RAMP_FORMS}
            names={RAMP_NAMES}
            onChange={(one) => bench.set({ rampForm: one })}
        />
    );
}

function RampThrough() {
    const bench = useBenchModel();
    const isThrough = useBench((view) => view.isRampThrough);
    return (
        <Tick
            className="text-[13px]"
            checked={isThrough}
            title="From deep through shade, from glint through light"
            onChange={(on) => bench.set({ isRampThrough: on })}
        >
            through the tone between
        </Tick>
    );
}

function Softness() {
    const bench = useBenchModel();
    const by = useBench((view) => view.softness);
    const isApart = useBench((view) => view.isSoftApart);
    return (
        <>
            <Slide label="Soft" value={by} least={1} most={120} shown={`${by} px`} onChange={(value) => bench.set({ softness: value })} />
            <Tick
                className="text-[13px]"
                title="Edges that lie along the border of a region stay hard; only those inside are softened. Counts for a whole pass, too"
                checked={isApart}
                onChange={(isSoftApart) => bench.set({ isSoftApart })}
            >
                not where shapes meet
            </Tick>
        </>
    );
}

function Strength() {
    const bench = useBenchModel();
    const strength = useBench((view) => Math.round(view.strength * 100));
    return (
        <Slide
            label="Strength"
            value={strength}
            least={1}
            most={100}
            shown={`${strength} %`}
            onChange={(value) => bench.set({ strength: value / 100 })}
        />
    );
}

function Within() {
    const bench = useBenchModel();
    const isOn = useBench((view) => view.isWithin);
    return (
        <Tick
            className="text-[13px]"
            title="Paint stays inside the region it begins in"
            checked={isOn}
            onChange={(isWithin) => bench.set({ isWithin })}
        >
            in one region
        </Tick>
    );
}

/** What can be done with paint that was drawn round. */
function Lifted() {
    const bench = useBenchModel();
    const target = useTarget();
    const rules = usePage((view) => view.rules);
    const records = usePage((view) => view.records);
    const isLifted = useBench((view) => view.lifted !== null);
    if (target === null) return <span className="quiet text-[13px]">Pick a pass or a tone: its paint is moved</span>;
    if (!isLifted)
        return (
            <>
                <span className="quiet text-[13px]">Draw round paint, then drag it; Alt-drag copies it</span>
                <Carried />
            </>
        );
    const { id } = passFor(rules, records, target);
    return (
        <>
            <button className="act narrow" onClick={() => bench.movePaint(id, { scale: [-1, 1] })}>
                Mirror it
            </button>
            <button className="act narrow" onClick={() => bench.movePaint(id, { turn: -15 })}>
                Turn left
            </button>
            <button className="act narrow" onClick={() => bench.movePaint(id, { turn: 15 })}>
                Turn right
            </button>
            <button className="act narrow" onClick={() => bench.movePaint(id, { scale: [0.8, 0.8] })}>
                Smaller
            </button>
            <button className="act narrow" onClick={() => bench.movePaint(id, { scale: [1.25, 1.25] })}>
                Larger
            </button>
            <button
                className="act narrow"
                title="Remembers it, to put it into another pass, another figure or another page"
                onClick={() => bench.carry(id)}
            >
                Take along
            </button>
            <button className="act narrow" onClick={() => bench.set({ lifted: null })}>
                Let go
            </button>
            <Carried />
        </>
    );
}

/** Paint that was taken along, from wherever. */
function Carried() {
    const bench = useBenchModel();
    const may = usePage(mayColour);
    const carried = useBench((view) => view.carried);
    if (carried === null) return null;
    return (
        <span className="flex items-center gap-1">
            <button
                className="act narrow main"
                disabled={!may}
                title={`${carried.name} goes into the picked pass: where it was, or on another page into the middle of what is in view`}
                onClick={() => bench.placeCarried()}
            >
                <span className="max-w-[190px] truncate">Put {carried.name} here</span>
            </button>
            <button className="act narrow" title="Forget what was taken along" onClick={() => bench.keepCarried(null)}>
                Forget
            </button>
        </span>
    );
}

/** Whole lines, or as much of them as an eraser covers. */
function Cut() {
    const bench = useBenchModel();
    const isCutting = useBench((view) => view.isCutting);
    const cut = useBench((view) => view.cut);
    return (
        <>
            <Tick className="text-[13px]" checked={isCutting} onChange={(isOn) => bench.set({ isCutting: isOn })}>
                Only parts of lines
            </Tick>
            {isCutting && (
                <Slide label="Width" value={cut} least={2} most={300} shown={`${cut} px`} onChange={(value) => bench.set({ cut: value })} />
            )}
        </>
    );
}
