/** A brush made from another: its tip, how that follows the hand, a picture that is brought; kept with the series. */
import { useState } from 'react';
import { TIP_KINDS, TIP_RANGES, type BoxedBrush, type TipData, type TipKind } from '../../api/generated';
import { mayColour } from '../../page/store';
import type { OwnBrush } from '../../api/seriesOps';
import { Choice } from '../../ui/Choice';
import { CurveField } from '../../ui/CurveField';
import { Slide } from '../../ui/Slide';
import { Tick } from '../../ui/Tick';
import { BrushSample } from './BrushSample';
import { useBenchModel, usePage, useSession } from '../model/context';

const KINDS: Record<TipKind, string> = {
    round: 'round',
    flat: 'flat',
    bristle: 'bristles',
    grain: 'crumbs',
    splatter: 'drops',
    strands: 'strands',
    sparkle: 'sparkle',
    picture: 'the picture',
};

/** What a plain round brush has when it gets a tip. */
const PLAIN: TipData = {
    kind: 'round',
    seed: 1,
    flow: 1,
    spacing: 0.1,
    scatter: 0,
    along: false,
    angle: 0,
    turn: 0,
    jitter: 0,
    taper: 0,
    sizeBy: [0.4, 0.55, 0.7, 0.85, 1],
    flowBy: [1, 1, 1, 1, 1],
    opacityBy: [1, 1, 1, 1, 1],
    wet: 0,
    grain: 0,
    picture: null,
};

interface Dial {
    name: 'flow' | 'spacing' | 'scatter' | 'turn' | 'jitter' | 'taper' | 'wet' | 'grain';
    label: string;
}

const DIALS: Dial[] = [
    { name: 'flow', label: 'Flow' },
    { name: 'spacing', label: 'Spacing' },
    { name: 'scatter', label: 'Scatter' },
    { name: 'turn', label: 'Random turn' },
    { name: 'jitter', label: 'Random size' },
    { name: 'taper', label: 'Thin ends' },
    { name: 'wet', label: 'Wet edge' },
    { name: 'grain', label: 'Paper grain' },
];

interface Pressed {
    name: 'sizeBy' | 'flowBy' | 'opacityBy';
    label: string;
    title: string;
}

const PRESSURE: Pressed[] = [
    {
        name: 'sizeBy',
        label: 'Size',
        title: 'How large a mark is: at the left with the lightest touch, at the right fully pressed',
    },
    { name: 'flowBy', label: 'Flow', title: 'How much each mark adds, from the lightest touch to fully pressed' },
    {
        name: 'opacityBy',
        label: 'Opacity',
        title: 'The most the stroke covers there, however often it goes over itself',
    },
];

/** @param onTaken the brush is in hand: what it was made in may close */
export function BrushMaker({ from, onTaken }: { from: BoxedBrush; onTaken: () => void }) {
    const bench = useBenchModel();
    const session = useSession();
    const [hardness, setHardness] = useState(from.hardness);
    const [tip, setTip] = useState<TipData>(bench.paint.tip ?? PLAIN);
    const brush: OwnBrush = { size: bench.view.size, hardness, tip };
    const set = (change: Partial<TipData>): void => setTip({ ...tip, ...change });
    const bring = async (file: File | undefined): Promise<void> => {
        const picture = file === undefined ? null : await session.brushes.tipOf(file);
        if (picture !== null) set({ kind: 'picture', picture });
    };
    const kinds = tip.picture === null ? TIP_KINDS.filter((kind) => kind !== 'picture') : TIP_KINDS;
    return (
        <div className="flex flex-col gap-1.5 pt-2 text-[13px]">
            <div className="flex items-center gap-3">
                <BrushSample brush={brush} />
                <Choice
                    label="Tip"
                    value={tip.kind}
                    options={kinds}
                    names={KINDS}
                    onChange={(kind) => set({ kind, picture: kind === 'picture' ? tip.picture : null })}
                />
                <label className="act cursor-pointer" title="A PNG: what is dark in it covers">
                    Bring a picture
                    <input
                        type="file"
                        className="sr-only"
                        accept="image/png"
                        onChange={(event) => void bring(event.target.files?.[0])}
                    />
                </label>
                <Tick checked={tip.along} onChange={(along) => set({ along })}>
                    along the stroke
                </Tick>
            </div>
            <Dials hardness={hardness} tip={tip} onHardness={setHardness} onChange={set} />
            <Pressure tip={tip} onChange={set} />
            <Keep from={from} brush={brush} onTaken={onTaken} />
        </div>
    );
}

interface DialsProps {
    hardness: number;
    tip: TipData;
    onHardness: (hardness: number) => void;
    onChange: (change: Partial<TipData>) => void;
}

function Dials({ hardness, tip, onHardness, onChange }: DialsProps) {
    return (
        <div className="grid grid-cols-2 gap-x-4 [&_label>span:first-child]:w-[84px]">
            <Slide
                wide
                label="Hard"
                most={100}
                value={Math.round(100 * hardness)}
                shown={`${Math.round(100 * hardness)} %`}
                onChange={(value) => onHardness(value / 100)}
            />
            <Slide
                wide
                label="Angle"
                least={TIP_RANGES.angle[0]}
                most={TIP_RANGES.angle[1]}
                value={Math.round(tip.angle)}
                shown={`${Math.round(tip.angle)}°`}
                onChange={(angle) => onChange({ angle })}
            />
            {DIALS.map(({ name: dial, label }) => (
                <Slide
                    key={dial}
                    wide
                    label={label}
                    least={100 * TIP_RANGES[dial][0]}
                    most={100 * TIP_RANGES[dial][1]}
                    value={Math.round(100 * tip[dial])}
                    shown={`${Math.round(100 * tip[dial])} %`}
                    onChange={(value) => onChange({ [dial]: value / 100 })}
                />
            ))}
        </div>
    );
}

/** A mouse presses fully: it has what the right end of each curve says. */
function Pressure({ tip, onChange }: { tip: TipData; onChange: (change: Partial<TipData>) => void }) {
    return (
        <div className="flex items-end gap-4">
            <span className="quiet w-16 self-center">By pressure</span>
            {PRESSURE.map(({ name, label, title }) => (
                <CurveField
                    key={name}
                    label={label}
                    title={title}
                    curve={tip[name]}
                    onChange={(curve) => onChange({ [name]: curve })}
                />
            ))}
        </div>
    );
}

function Keep({ from, brush, onTaken }: { from: BoxedBrush; brush: OwnBrush; onTaken: () => void }) {
    const bench = useBenchModel();
    const session = useSession();
    const may = usePage(mayColour);
    const [name, setName] = useState('');
    const keep = async (): Promise<void> => {
        const boxed = await session.brushes.keep(name.trim(), brush);
        if (boxed === null) return;
        bench.paint.take(boxed);
        onTaken();
    };
    const tryIt = (): void => {
        bench.paint.take({ ...from, id: 0, name: `${from.name}, tried`, ...brush });
        onTaken();
    };
    const remove = async (): Promise<void> => {
        await session.brushes.delete(from.id);
        bench.paint.take(null);
    };
    return (
        <div className="flex gap-1">
            <button className="act" onClick={tryIt}>
                Try it
            </button>
            <input
                className="field min-w-0 flex-1"
                aria-label="Name of a new brush"
                placeholder="Net mender"
                maxLength={60}
                value={name}
                disabled={!may}
                onChange={(event) => setName(event.target.value)}
            />
            <button className="act" disabled={!may || name.trim() === ''} onClick={() => void keep()}>
                Keep in the series
            </button>
            {from.id > 0 && (
                <button className="act" disabled={!may} onClick={() => void remove()}>
                    Delete {from.name}
                </button>
            )}
        </div>
    );
}
