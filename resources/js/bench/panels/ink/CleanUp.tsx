/**
 * How the picked drawing is cleaned. Levels show at once; the rest when it is cleaned anew, always from the original.
 */
import { useState } from 'react';
import { api } from '../../../api/client';
import { LINE_COLOURS, type CleanData, type DrawingData, type LineColour } from '../../../api/generated';
import { Choice } from '../../../ui/Choice';
import { NumberField } from '../../../ui/NumberField';
import { Slide } from '../../../ui/Slide';
import { Tick } from '../../../ui/Tick';
import { useBench, useBenchModel, usePage, useSession } from '../../model/context';
import { Histogram } from './Histogram';

const COLOURS: Record<LineColour, string> = {
    auto: 'drop what is lighter than the ink',
    keep: 'keep all',
    blue: 'drop blue',
    red: 'drop red',
    all: 'drop every colour',
};

interface Props {
    id: string;
    drawing: DrawingData;
    isBlocked: boolean;
}

export function CleanUp({ id, drawing, isBlocked }: Props) {
    const bench = useBenchModel();
    const trial = useBench((view) => view.trial);
    const clean = trial?.clean ?? drawing.clean;
    const set = (change: Partial<CleanData>): void => bench.ink.try({ clean: change });
    return (
        <div className="flex flex-col gap-2 text-[13px]">
            <Compare drawing={drawing} />
            <Levels id={id} drawing={drawing} clean={clean} onChange={set} />
            <Slide
                wide
                label="Even out the light"
                value={Math.round(clean.flatten * 100)}
                most={100}
                shown={`${Math.round(clean.flatten * 100)} %`}
                onChange={(value) => set({ flatten: value / 100 })}
            />
            <Slide
                wide
                label="Line weight"
                value={clean.weight}
                least={-3}
                most={3}
                shown={`${clean.weight > 0 ? '+' : ''}${clean.weight} px`}
                onChange={(weight) => set({ weight })}
            />
            <div className="flex gap-2">
                <NumberField
                    label="Specks below, px"
                    value={clean.specks}
                    least={0}
                    most={400}
                    onChange={(specks) => set({ specks })}
                />
                <NumberField
                    label="Pinholes to, px"
                    value={clean.pinholes}
                    least={0}
                    most={400}
                    onChange={(pinholes) => set({ pinholes })}
                />
            </div>
            <Choice
                label="Coloured lines"
                value={clean.colours}
                options={LINE_COLOURS}
                names={COLOURS}
                onChange={(colours) => set({ colours })}
            />
            <Straighten drawing={drawing} clean={clean} onChange={set} />
            <Tick checked={clean.hard} onChange={(hard) => set({ hard })}>
                Pure black and white
            </Tick>
            <Tick checked={clean.crop} onChange={(crop) => set({ crop })}>
                Remove what lies around the sheet
            </Tick>
            <Buttons id={id} drawing={drawing} isBlocked={isBlocked} />
        </div>
    );
}

/** The edge between the original and what it was cleaned to. */
function Compare({ drawing }: { drawing: DrawingData }) {
    const bench = useBenchModel();
    const page = usePage((view) => view.id);
    const compare = useBench((view) => Math.round(view.compare * 100));
    const original = api.originalUrl(page, drawing);
    const [missing, setMissing] = useState<string | null>(null);
    return (
        <>
            <Slide
                wide
                label="Show original"
                value={compare}
                most={100}
                shown={compare === 0 ? 'off' : `${compare} %`}
                disabled={missing === original}
                onChange={(value) => bench.set({ compare: value / 100 })}
            />
            <img className="hidden" alt="" src={original} onError={() => setMissing(original)} />
            {missing === original && (
                <p className="quiet">The original shows here once the drawing has been cleaned again.</p>
            )}
        </>
    );
}

interface PartProps {
    drawing: DrawingData;
    clean: CleanData;
    onChange: (change: Partial<CleanData>) => void;
}

function Levels({ id, drawing, clean, onChange }: PartProps & { id: string }) {
    const paper = clean.paper ?? drawing.found.paper;
    const ink = clean.ink ?? drawing.found.ink;
    return (
        <>
            <Histogram id={id} paper={paper} ink={ink} />
            <Slide
                wide
                label="Paper ends at"
                value={paper}
                most={253}
                shown={String(paper)}
                onChange={(value) => onChange({ paper: value, ink: Math.max(ink, value + 1) })}
            />
            <Slide
                wide
                label="Full ink from"
                value={ink}
                least={2}
                most={255}
                shown={String(ink)}
                onChange={(value) => onChange({ paper: Math.min(paper, value - 1), ink: value })}
            />
            <Tick
                checked={clean.paper === null}
                onChange={(isMeasured) => onChange(isMeasured ? { paper: null, ink: null } : { paper, ink })}
            >
                Measured from the paper
            </Tick>
        </>
    );
}

function Straighten({ drawing, clean, onChange }: PartProps) {
    const { askew, turned } = drawing.found;
    return (
        <div className="flex items-end gap-2">
            <Tick
                className="flex-1"
                checked={clean.turn === null}
                onChange={(isAuto) => onChange({ turn: isAuto ? null : -turned })}
            >
                {askew === null ? 'Straighten (no angle found)' : `Straighten (${askew.toFixed(2)}° askew)`}
            </Tick>
            <NumberField
                label="Turn, °"
                className="w-20"
                value={Math.round((clean.turn ?? turned) * 100) / 100}
                least={-15}
                most={15}
                step={0.1}
                disabled={clean.turn === null}
                onChange={(turn) => onChange({ turn })}
            />
        </div>
    );
}

function Buttons({ id, drawing, isBlocked }: Props) {
    const bench = useBenchModel();
    const session = useSession();
    const trial = useBench((view) => view.trial);
    const clean = async (): Promise<void> => {
        if (trial === null) return;
        await session.work.clean(id, trial.clean, drawing.place);
        bench.set({ trial: null });
    };
    return (
        <div className="flex flex-wrap gap-2 pt-1">
            <button className="act main" disabled={trial === null || isBlocked} onClick={() => void clean()}>
                Clean again
            </button>
            <button className="act" disabled={trial === null} onClick={() => bench.set({ trial: null })}>
                Put back
            </button>
        </div>
    );
}
