/** One material or tone in place of another, on the pages that are ticked. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api } from '../api/client';
import type { Replacing } from '../api/taskKinds';
import type { MaterialState, Tone } from '../api/generated';
import { SIX, nameOf } from '../api/tones';
import { isGoing } from '../api/tasks';
import { Choice } from '../ui/Choice';
import { Tick } from '../ui/Tick';
import { TaskLine } from '../ui/TaskLine';
import { useFollowed } from '../ui/useFollowed';
import type { PaletteDesk } from './usePalette';

interface Props {
    desk: PaletteDesk;
    material: MaterialState;
}

const WHAT = ['material', 'tone'] as const;
type What = (typeof WHAT)[number];

export function ReplacePart({ desk, material }: Props) {
    const [isOpen, setOpen] = useState(false);
    if (!isOpen)
        return (
            <button className="act self-start" onClick={() => setOpen(true)}>
                Replace on some pages …
            </button>
        );
    return <Replacement desk={desk} material={material} onClose={() => setOpen(false)} />;
}

function Replacement({ desk, material, onClose }: Props & { onClose: () => void }) {
    const client = useQueryClient();
    const series = desk.overview?.id ?? 0;
    const [what, setWhat] = useState<What>('material');
    const [into, setInto] = useState('');
    const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
    const { task, begin, stop } = useFollowed();
    const { data } = useQuery({ queryKey: ['series', series], queryFn: () => api.series(series) });
    const used = new Set(desk.overview?.uses[material.id]?.pages ?? []);
    const pages = (data?.pages ?? []).filter(({ number }) => used.has(number));
    const meant = pages.filter(({ id }) => !left.has(id)).map(({ id }) => id);
    const tone = desk.picked?.tone ?? 'base';
    const replace = (): void =>
        void desk.ask(async () => {
            begin(
                await api.beginForSeries(series, 'replace', { ...replacing(what, material, tone, into), pages: meant }),
            );
        });
    const state = task?.state;
    useEffect(() => {
        if (state === 'done') void client.invalidateQueries({ queryKey: ['series', series] });
    }, [state, client, series]);
    const tick = (page: number, isTicked: boolean): void => {
        const others = [...left].filter((one) => one !== page);
        setLeft(new Set(isTicked ? others : [...others, page]));
    };
    const names = {
        material: `the material ${material.name}`,
        tone: `the tone ${nameOf(material, tone)} of all its figure`,
    };
    return (
        <section aria-label="Replace on pages" className="flex flex-col gap-2">
            <div className="flex flex-wrap items-end gap-2">
                <Choice
                    label="Replace"
                    value={what}
                    options={WHAT}
                    names={names}
                    onChange={(value) => {
                        setWhat(value);
                        setInto('');
                    }}
                />
                <By desk={desk} material={material} what={what} tone={tone} into={into} onInto={setInto} />
            </div>
            {pages.length === 0 && <p className="quiet">No page uses it.</p>}
            <PageTicks pages={pages} left={left} onTick={tick} />
            <div className="flex gap-2">
                <button
                    className="act main"
                    disabled={into === '' || meant.length === 0 || isGoing(task)}
                    onClick={replace}
                >
                    Replace on {meant.length} {meant.length === 1 ? 'page' : 'pages'}
                </button>
                <button className="bare" onClick={onClose}>
                    Close
                </button>
            </div>
            {task !== null && <TaskLine task={task} onStop={stop} />}
            <ul role="status">
                {task?.outcomes?.map(({ page, number, why }) => (
                    <li key={page}>
                        p. {number}: {why}
                    </li>
                ))}
            </ul>
        </section>
    );
}

interface TicksProps {
    pages: { id: number; number: number; title: string }[];
    /** Pages that are left out. */
    left: ReadonlySet<number>;
    onTick: (page: number, isTicked: boolean) => void;
}

function PageTicks({ pages, left, onTick }: TicksProps) {
    return (
        <ul className="flex flex-wrap gap-x-4 gap-y-1">
            {pages.map(({ id, number, title }) => (
                <li key={id}>
                    <Tick checked={!left.has(id)} onChange={(isTicked) => onTick(id, isTicked)}>
                        {number}. {title}
                    </Tick>
                </li>
            ))}
        </ul>
    );
}

function replacing(what: What, material: MaterialState, tone: Tone, into: string): Replacing {
    return what === 'material'
        ? { material: material.id, into: Number(into) }
        : { figure: material.figure, tone, into: into as Tone };
}

interface ByProps extends Props {
    what: What;
    tone: Tone;
    into: string;
    onInto: (into: string) => void;
}

/** What comes in its place. */
function By({ desk, material, what, tone, into, onInto }: ByProps) {
    const materials = desk.figures.flatMap((figure) =>
        figure.materials
            .filter(({ id }) => id !== material.id)
            .map(({ id, name }) => ({ value: String(id), name: `${figure.name}, ${name}` })),
    );
    const tones = SIX.filter((one) => one !== tone).map((one) => ({ value: one as string, name: one as string }));
    return (
        <label className="flex flex-col gap-0.5">
            <span className="quiet">by</span>
            <select className="field" aria-label="By" value={into} onChange={(event) => onInto(event.target.value)}>
                <option value="">Which?</option>
                {(what === 'material' ? materials : tones).map(({ value, name }) => (
                    <option key={value} value={value}>
                        {name}
                    </option>
                ))}
            </select>
        </label>
    );
}
