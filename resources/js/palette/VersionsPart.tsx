/** Named versions of the palette: what has moved since, and which pages hold one instead of following. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { seriesOutbox } from '../page/seriesOutbox';
import { api } from '../api/client';
import type { HoldingState, PaletteVersionState } from '../api/generated';
import { OneLineForm } from '../ui/Form';
import { Moved } from './Moved';
import { TwoPictures } from './TwoPictures';
import { Compare } from './Compare';
import { Wardrobe } from './Wardrobe';
import type { PaletteDesk } from './usePalette';

export function VersionsPart({ desk }: { desk: PaletteDesk }) {
    const client = useQueryClient();
    const series = desk.overview?.id ?? 0;
    const outbox = seriesOutbox(series);
    const palette = desk.overview?.palette.version;
    const { data } = useQuery({ queryKey: ['versions', series, palette], queryFn: () => api.versions(series) });
    const ask = async (work: () => Promise<unknown>): Promise<void> => {
        await desk.ask(work);
        await client.invalidateQueries({ queryKey: ['versions', series] });
    };
    const hold = (page: number, version: number | null, follows: number[]): Promise<void> =>
        ask(() => outbox.apply('page.version', { of: page, version, follows }));
    if (data === undefined) return <p className="quiet">Looking …</p>;
    const may = desk.overview?.mayColour === true;
    return (
        <div className="flex flex-col gap-4">
            {may && (
                <OneLineForm
                    label="Give the palette, as it is now, a name"
                    field="name"
                    button="Keep it"
                    placeholder="Book 1, printed"
                    maxLength={80}
                    className=""
                    onAdd={(name) => ask(() => api.nameVersion(series, name))}
                />
            )}
            {data.versions.length === 0 && (
                <p>No versions yet. A named one can be compared with, gone back to, and held by pages.</p>
            )}
            {data.versions.map((version) => (
                <Version
                    key={version.id}
                    version={version}
                    onRestore={
                        may ? () => void ask(() => outbox.apply('version.restore', { version: version.id })) : null
                    }
                />
            ))}
            {data.versions.length > 0 && <Compare desk={desk} versions={data.versions} />}
            {data.versions.length > 0 && (
                <Wardrobe
                    title="Which palette each page uses"
                    what="Palette"
                    none="follows the palette"
                    pages={data.pages.map((page) => ({ ...page, choice: page.version }))}
                    choices={data.versions.map(({ id, name }) => ({ id, name: `stays at ${name}` }))}
                    disabled={!may}
                    onChoose={(page, id) => void hold(page, id, [])}
                    more={({ page }) => (
                        <Waiting
                            series={series}
                            state={String(palette)}
                            page={data.pages.find((one) => one.page === page)}
                            versions={data.versions}
                            disabled={!may}
                            onTake={(version, follows) => void hold(page, version, follows)}
                        />
                    )}
                />
            )}
        </div>
    );
}

function Version({ version, onRestore }: { version: PaletteVersionState; onRestore: (() => void) | null }) {
    const when = new Date(version.when).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
    return (
        <section aria-label={version.name} className="rule-t pt-3">
            <div className="flex items-baseline gap-3">
                <h2 className="heading min-w-0 flex-1 truncate text-base">{version.name}</h2>
                <span className="quiet text-[13px]">
                    {version.who ?? 'Somebody'}, {when}
                </span>
                {onRestore !== null && version.moved.length > 0 && (
                    <button className="act narrow" onClick={onRestore}>
                        Go back to it
                    </button>
                )}
            </div>
            <p className="mb-1 text-[13px]">
                {version.moved.length === 0
                    ? 'The palette is as it was then.'
                    : `${version.moved.length} tones have moved on since:`}
            </p>
            <Moved moved={version.moved} />
        </section>
    );
}

interface WaitingProps {
    series: number;
    /** Names the palette now. */
    state: string;
    page: HoldingState | undefined;
    versions: PaletteVersionState[];
    disabled: boolean;
    onTake: (version: number | null, follows: number[]) => void;
}

/** What has moved on since the version that a page holds, to be taken over material by material. */
function Waiting({ series, state, page, versions, disabled, onTake }: WaitingProps) {
    const [isOpen, setOpen] = useState(false);
    const held = versions.find(({ id }) => id === page?.version);
    const waiting = (held?.moved ?? []).filter(({ material }) => page?.follows.includes(material) === false);
    const materials = [
        ...new Map(waiting.map((one) => [one.material, one.name.split(', ').pop() ?? one.name] as const)),
    ];
    if (page === undefined || waiting.length === 0) return null;
    return (
        <div className="flex flex-wrap items-center gap-2">
            <button className="bare quiet text-[13px]" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
                {waiting.length} tones have moved on
            </button>
            {isOpen &&
                materials.map(([id, name]) => (
                    <button
                        key={id}
                        className="act narrow"
                        disabled={disabled}
                        onClick={() => onTake(page.version, [...page.follows, id])}
                    >
                        Take {name} over
                    </button>
                ))}
            {isOpen && held !== undefined && (
                <TwoPictures
                    series={series}
                    page={page.page}
                    state={state}
                    sides={[
                        { version: held.id, name: `by ${held.name}` },
                        { version: 0, name: 'by the palette now' },
                    ]}
                />
            )}
        </div>
    );
}
