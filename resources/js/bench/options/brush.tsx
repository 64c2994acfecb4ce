/** What a brush in hand, or a pen that inks, is set to. */
import { TIP_RANGES } from '../../api/generated';
import { Slide } from '../../ui/Slide';
import { Tick } from '../../ui/Tick';
import { useBench, useBenchModel } from '../model/context';
import { tipOf } from '../model/paintModel';
import { HEAVIEST_LINE, LARGEST_BRUSH, STEADIEST } from '../model/limits';

/** The slider runs by the root of the size: small brushes need fine steps. */
export function Size() {
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

export function Opacity() {
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
export function Flow() {
    const bench = useBenchModel();
    const flow = useBench((view) => tipOf(view)?.flow ?? null);
    if (flow === null) return null;
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

export function Steady() {
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

export function Weight() {
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

export function Taper() {
    const bench = useBenchModel();
    const taper = useBench((view) => Math.round(view.taper * 100));
    return (
        <Slide
            label="Taper"
            value={taper}
            most={50}
            shown={`${taper} %`}
            onChange={(value) => bench.set({ taper: value / 100 })}
        />
    );
}

export function Grain() {
    const bench = useBenchModel();
    const grain = useBench((view) => Math.round(view.grain * 100));
    return (
        <Slide
            label="Grain"
            value={grain}
            most={100}
            shown={`${grain} %`}
            onChange={(value) => bench.set({ grain: value / 100 })}
        />
    );
}

export function Softness() {
    const bench = useBenchModel();
    const by = useBench((view) => view.softness);
    const isApart = useBench((view) => view.isSoftApart);
    return (
        <>
            <Slide
                label="Soft"
                value={by}
                least={1}
                most={120}
                shown={`${by} px`}
                onChange={(value) => bench.set({ softness: value })}
            />
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

export function Strength() {
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

/** Whole lines, or as much of them as an eraser covers. */
export function Cut() {
    const bench = useBenchModel();
    const isCutting = useBench((view) => view.isCutting);
    const cut = useBench((view) => view.cut);
    return (
        <>
            <Tick className="text-[13px]" checked={isCutting} onChange={(isOn) => bench.set({ isCutting: isOn })}>
                Only parts of lines
            </Tick>
            {isCutting && (
                <Slide
                    label="Width"
                    value={cut}
                    least={2}
                    most={300}
                    shown={`${cut} px`}
                    onChange={(value) => bench.set({ cut: value })}
                />
            )}
        </>
    );
}

/** Whether paint keeps to one region. */
export function Within() {
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
