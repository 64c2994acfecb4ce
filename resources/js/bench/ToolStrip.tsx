/** The few tools of a stage, by the hand, in words; and what the picked one can be set to. */
import type { ComponentType } from 'react';
import { useBench, useBenchModel } from './model/context';
import { hasTwoRows, stageOf } from './stages/stage';
import { TOOLS } from './tools/registry';
import type { Tool } from './tools/tool';

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
                {tool.isMirrored && <AxisSwitch />}
            </div>
            {hasTwoRows(stage) && <SecondRow tool={tool} />}
        </div>
    );
}

function SecondRow({ tool }: { tool: Tool }) {
    return (
        <div className="flex min-h-8 flex-wrap items-center gap-x-2.5 gap-y-1">
            {tool.options.length === 0 ? (
                <span className="quiet text-[13px]">{tool.what}</span>
            ) : (
                <Options of={tool.options} />
            )}
        </div>
    );
}

function Options({ of }: { of: ComponentType[] }) {
    return of.map((Option, i) => <Option key={i} />);
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

function AxisSwitch() {
    const bench = useBenchModel();
    const isOn = useBench((view) => view.axis !== null);
    return (
        <button
            className="act"
            aria-pressed={isOn}
            title="Draws everything again, mirrored, on the other side of the axis. Drag the square of the axis to move it, its diamond to turn it (Shift: by 15°)"
            onClick={() => bench.toggleAxis()}
        >
            Mirror <kbd className="key">Y</kbd>
        </button>
    );
}
