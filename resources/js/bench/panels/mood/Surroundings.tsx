/** Washes figures in the mean colour of what lies behind and around each of them. */
import { useState } from 'react';
import { api } from '../../../api/client';
import type { FigureSurroundings, FigureWash } from '../../../api/generated';
import { aroundId, washSurroundings } from '../../../page/ops/passes/washSurroundings';
import { mayColour } from '../../../page/store';
import { colourAround } from '../../../picture/surroundings';
import { Slide } from '../../../ui/Slide';
import { Tick } from '../../../ui/Tick';
import { usePage, useSession } from '../../model/context';

/** Percent: a figure is held together with its ground, and is still of its own colours. */
const STRENGTH = 20;

type NamedWash = FigureWash & { name: string };

export function Surroundings() {
    const session = useSession();
    const page = usePage((view) => view.id);
    const flats = usePage((view) => view.stack.flats);
    const [measured, setMeasured] = useState<FigureSurroundings[] | null>(null);
    const [isMeasuring, setMeasuring] = useState(false);
    const measure = async (): Promise<void> => {
        setMeasuring(true);
        const answer = await session.answer(api.surroundings(page));
        setMeasuring(false);
        if (answer !== null) setMeasured(answer);
    };
    const washes = (measured ?? []).flatMap(({ figure, name, around }) => {
        const colour = colourAround(around, flats);
        return colour === null ? [] : [{ figure, name, around, colour }];
    });
    return (
        <div className="flex flex-col gap-1">
            <button className="act self-start" disabled={isMeasuring} onClick={() => void measure()}>
                {isMeasuring ? 'Measuring …' : measured === null ? 'Measure the page' : 'Measure again'}
            </button>
            {measured !== null && washes.length === 0 && (
                <p className="quiet">No figure has anything filled behind or around it. Fill its ground first.</p>
            )}
            {washes.length > 0 && <WashFigures washes={washes} />}
        </div>
    );
}

/** Which of the figures are washed, and how strongly. */
function WashFigures({ washes }: { washes: NamedWash[] }) {
    const session = useSession();
    const may = usePage(mayColour);
    const passes = usePage((view) => view.records.pass);
    const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
    const [strength, setStrength] = useState(STRENGTH);
    const ticked = washes.filter(({ figure }) => !left.has(figure));
    const isLaid = ticked.some(({ figure }) => passes[aroundId(figure)] !== undefined);
    const tick = (figure: number, isTicked: boolean): void =>
        setLeft(new Set([...left].filter((one) => one !== figure).concat(isTicked ? [] : [figure])));
    const lay = (at: number): void => {
        const laid = ticked.map(({ figure, colour, around }) => ({ figure, colour, around }));
        session.apply(washSurroundings({ washes: laid, strength: at / 100 }));
    };
    return (
        <>
            {washes.map(({ figure, name, colour }) => (
                <Tick key={figure} checked={!left.has(figure)} disabled={!may} onChange={(is) => tick(figure, is)}>
                    <span
                        className="h-5 w-8 shrink-0 border border-base-300"
                        style={{ background: colour }}
                        title={`Around ${name}: ${colour}`}
                    />
                    <span className="truncate">{name}</span>
                </Tick>
            ))}
            <Slide
                wide
                label="Strength"
                title="How much of the colour is laid over each figure"
                most={100}
                value={strength}
                shown={`${strength} %`}
                disabled={!may}
                onChange={setStrength}
                onSettle={(at) => {
                    if (isLaid) lay(at);
                }}
            />
            <button
                className="act main self-start"
                disabled={!may || ticked.length === 0}
                onClick={() => lay(strength)}
            >
                Wash the ticked figures
            </button>
            <p className="quiet">
                The washes hang with each figure’s passes. They follow when what lies around is filled otherwise.
            </p>
        </>
    );
}
