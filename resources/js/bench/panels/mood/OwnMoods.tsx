/** Keeping the layers there are as a mood of the series, and taking moods in and out. */
import { useState } from 'react';
import { api } from '../../../api/client';
import type { MoodState } from '../../../api/generated';
import type { MadeMood } from '../../../api/seriesOps';
import { Fold } from '../../../ui/Fold';
import { OneLineForm } from '../../../ui/Form';
import { usePage } from '../../model/context';
import { MoodPages } from './MoodPages';
import { useMoodOps } from './useMoodOps';
import { wornMood } from './wornMood';

export function OwnMoods({ moods }: { moods: MoodState[] }) {
    const series = usePage((view) => view.series.id);
    const records = usePage((view) => view.records);
    const palette = usePage((view) => view.palette);
    const [isGiving, setGiving] = useState(false);
    const { layers, light, variant, ofSeries, isChanged } = wornMood(records, palette, moods);
    const own = ofSeries?.id === null ? undefined : ofSeries;
    return (
        <div className="mt-1 flex flex-col gap-1.5">
            {isChanged && (
                <p className="text-[13px]">What is above differs from the series’ mood; this page shows its own.</p>
            )}
            {(isChanged || isGiving) && own !== undefined && own.id !== null && (
                <MoodPages
                    key={own.key}
                    mood={{ key: own.key, id: own.id, version: own.version, name: own.name }}
                    made={{ layers, light, variant }}
                    onBegun={() => setGiving(true)}
                    onDone={() => setGiving(false)}
                />
            )}
            <Fold title="Keep, save or take moods" help="mood#moods">
                <Keeping series={series} worn={ofSeries} own={own} made={{ layers, light, variant }} />
            </Fold>
        </div>
    );
}

/** As the core's MoodFile: what is larger is not even sent. */
const MOST_BYTES = 1_000_000;

interface KeepingProps {
    series: number;
    worn: MoodState | undefined;
    own: MoodState | undefined;
    made: MadeMood;
}

function Keeping({ series, worn, own, made }: KeepingProps) {
    const change = useMoodOps(series);
    const [isTooLarge, setTooLarge] = useState(false);
    const take = async (file: File | undefined): Promise<void> => {
        if (file === undefined) return;
        setTooLarge(file.size > MOST_BYTES);
        if (file.size <= MOST_BYTES) await change('mood.keep', { text: await file.text() });
    };
    return (
        <>
            {made.layers.length > 0 && (
                <OneLineForm
                    label="Keep these layers as a mood"
                    field="name"
                    button="Keep"
                    placeholder="Its name"
                    maxLength={60}
                    className=""
                    onAdd={(name) => change('mood.keep', { name, ...made })}
                />
            )}
            {worn !== undefined && (
                <a className="act self-start" href={api.moodFileUrl(series, worn.key)} download={`${worn.name}.json`}>
                    Save “{worn.name}” as a file
                </a>
            )}
            {own !== undefined && own.id !== null && (
                <button className="act self-start" onClick={() => void change('mood.retire', { mood: own.id ?? 0 })}>
                    Delete “{own.name}” from the series
                </button>
            )}
            <label className="act self-start">
                Take a mood from a file
                <input
                    type="file"
                    accept="application/json,.json"
                    className="sr-only"
                    onChange={(event) => void take(event.target.files?.[0])}
                />
            </label>
            {isTooLarge && <p role="alert">This file is larger than any mood. Look whether it is the right one.</p>}
        </>
    );
}
