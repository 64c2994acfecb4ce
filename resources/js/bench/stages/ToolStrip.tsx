import type { Tool } from '../surface/Surface';

interface Props {
    stage: 'Flats' | 'Light';
    tool: Tool;
    onTool: (tool: Tool) => void;
    size: number;
    onSize: (size: number) => void;
    flow: number;
    onFlow: (flow: number) => void;
    smoothing: number;
    onSmoothing: (smoothing: number) => void;
    bridges: boolean;
    onBridges: (on: boolean) => void;
    bridgeCount: number;
    onNext: () => void;
}

const TOOLS: Record<Props['stage'], { tool: Tool; name: string; key: string; what: string }[]> = {
    Flats: [
        { tool: 'fill', name: 'Fill', key: 'F', what: 'Click a region to give it the picked material' },
        { tool: 'sweep', name: 'Sweep', key: 'S', what: 'Drag across regions to fill all of them' },
        { tool: 'unfill', name: 'Unfill', key: 'U', what: 'Click or drag to take the material away' },
    ],
    Light: [
        { tool: 'pen', name: 'Pen', key: 'P', what: 'Hard edge' },
        { tool: 'soft', name: 'Soft pen', key: 'A', what: 'Soft edge' },
        { tool: 'erase', name: 'Eraser', key: 'X', what: 'Takes paint out of the picked pass; or hold E' },
    ],
};

/** The few tools of a stage, by the hand, in words. */
export function ToolStrip(props: Props) {
    return (
        <div role="toolbar" aria-label={`${props.stage} tools`} className="absolute bottom-3 left-1/2 z-10 flex -translate-x-1/2 items-center gap-2 whitespace-nowrap border border-base-300 bg-base-100 px-2 py-1.5">
            {TOOLS[props.stage].map(({ tool, name, key, what }) => (
                <button key={tool} className="act" title={what} aria-pressed={props.tool === tool} onClick={() => props.onTool(tool)}>
                    {name} <kbd className="key">{key}</kbd>
                </button>
            ))}
            {props.stage === 'Light' ? (
                <>
                    <Slide label="Size" value={Math.round(Math.sqrt(props.size) * 10)} most={316} show={`${props.size} px`} onChange={(value) => props.onSize(Math.max(1, Math.round((value / 10) ** 2)))} />
                    <Slide label="Flow" value={Math.round(props.flow * 100)} most={100} show={`${Math.round(props.flow * 100)} %`} onChange={(value) => props.onFlow(value / 100)} />
                    <Slide label="Steady" value={Math.round(props.smoothing * 100)} most={95} show={`${Math.round(props.smoothing * 100)} %`} onChange={(value) => props.onSmoothing(value / 100)} />
                </>
            ) : (
                <>
                    <button className="act" aria-pressed={props.bridges} title="Where gaps in the lines were closed for flatting" onClick={() => props.onBridges(!props.bridges)}>Show {props.bridgeCount} bridges</button>
                    <button className="act" onClick={props.onNext}>Next unfilled <kbd className="key">N</kbd></button>
                </>
            )}
        </div>
    );
}

function Slide({ label, value, most, show, onChange }: { label: string; value: number; most: number; show: string; onChange: (value: number) => void }) {
    return (
        <label className="flex items-center gap-1 text-[13px]">
            {label}
            <input type="range" className="slide w-[56px]" min={0} max={most} value={value} aria-valuetext={show} onChange={(e) => onChange(Number(e.target.value))} />
            <span className="figures w-11">{show}</span>
        </label>
    );
}
