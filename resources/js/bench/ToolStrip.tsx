/** The few tools of a stage, by the hand, in words; and what the picked one can be set to. */
import type { ReactNode } from 'react';
import { Slide } from '../ui/Slide';
import { useBench, useBenchModel } from './model/context';
import { LARGEST_BRUSH } from './model/limits';
import { stageOf } from './stages/stage';
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
            className="absolute bottom-3 left-1/2 z-10 flex -translate-x-1/2 items-center gap-2 whitespace-nowrap border border-base-300 bg-base-100 px-2 py-1.5"
        >
            {stage.tools.map((id) => (
                <ToolButton key={id} tool={TOOLS[id]} isPicked={id === tool.id} />
            ))}
            {tool.options.map((option) => (
                <Option key={option} option={option} />
            ))}
        </div>
    );
}

function ToolButton({ tool, isPicked }: { tool: Tool; isPicked: boolean }) {
    const bench = useBenchModel();
    return (
        <button className="act" title={tool.what} aria-pressed={isPicked} onClick={() => bench.set({ tool: tool.id })}>
            {tool.name} <kbd className="key">{tool.key}</kbd>
        </button>
    );
}

const OPTIONS: Record<ToolOption, () => ReactNode> = { size: Size, flow: Flow, steady: Steady };

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
            value={Math.round(Math.sqrt(size) * 10)}
            most={Math.round(Math.sqrt(LARGEST_BRUSH) * 10)}
            shown={`${size} px`}
            onChange={set}
        />
    );
}

function Flow() {
    const bench = useBenchModel();
    const flow = useBench((view) => Math.round(view.flow * 100));
    return <Slide label="Flow" value={flow} most={100} shown={`${flow} %`} onChange={(value) => bench.set({ flow: value / 100 })} />;
}

function Steady() {
    const bench = useBenchModel();
    const steady = useBench((view) => Math.round(view.steady * 100));
    return <Slide label="Steady" value={steady} most={95} shown={`${steady} %`} onChange={(value) => bench.set({ steady: value / 100 })} />;
}
