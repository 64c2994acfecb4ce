/** A mood measured from a picture on the board: a curve and a balance that bring the page near it. */
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../../../api/client';
import type { MeasuredMoodState } from '../../../api/generated';
import { inMood } from '../../../page/ops/passes/wearMood';
import { mayColour } from '../../../page/store';
import { Choice } from '../../../ui/Choice';
import { Slide } from '../../../ui/Slide';
import { usePage, useSession } from '../../model/context';
import { useMoodPictures } from './useMoodPictures';
import { wornMood } from './wornMood';

const STRENGTH = 70;

export function LikePicture() {
    const session = useSession();
    const may = usePage(mayColour);
    const series = usePage((view) => view.series.id);
    const page = usePage((view) => view.id);
    const shown = usePage((view) => view.records.page.page?.mood ?? '');
    const { moods } = useMoodPictures();
    const { data } = useQuery({ queryKey: ['pictures', series, page], queryFn: () => api.pictures(series, page) });
    const pictures = (data ?? []).filter(({ width }) => width !== null);
    const [chosen, setChosen] = useState('');
    const [strength, setStrength] = useState(STRENGTH);
    const [measured, setMeasured] = useState<MeasuredMoodState | null>(null);
    const [isMeasuring, setMeasuring] = useState(false);
    const picture = pictures.find(({ id }) => String(id) === chosen) ?? pictures[0];
    const wear = ({ name, layers }: MeasuredMoodState, at: number): void => {
        const { palette, records } = session.view;
        const mood = { key: '', id: null, version: 1, name, light: '', variant: '' };
        // What was measured before, at another strength, is not kept at hand.
        const isHeld = records.page.page?.mood !== name && wornMood(records, palette, moods).isOwn;
        const shown = { ...mood, layers: layers.map((layer) => ({ ...layer, opacity: at / 100 })) };
        session.apply(inMood(shown, palette, records, isHeld));
    };
    const measure = async (): Promise<void> => {
        setMeasuring(true);
        const answer = await session.answer(api.moodLike(series, picture.id, page));
        setMeasuring(false);
        setMeasured(answer);
        if (answer !== null) wear(answer, strength);
    };
    if (data !== undefined && pictures.length === 0)
        return <p className="quiet text-[13px]">No picture hangs on the board yet. Hang one up under “pictures”.</p>;
    if (picture === undefined) return null;
    return (
        <div className="flex flex-col gap-1">
            <Choice
                label="Picture on the board"
                value={String(picture.id)}
                options={pictures.map(({ id }) => String(id))}
                names={Object.fromEntries(pictures.map(({ id, name }) => [String(id), name]))}
                disabled={!may}
                onChange={setChosen}
            />
            <img
                src={api.pictureUrl(series, picture.id)}
                alt={picture.name}
                className="max-h-28 w-full bg-base-200 object-contain"
            />
            <Slide
                wide
                label="Strength"
                title="How near the page is brought to the picture"
                most={100}
                value={strength}
                shown={`${strength} %`}
                disabled={!may}
                onChange={setStrength}
                onSettle={(at) => {
                    if (measured !== null && shown === measured.name) wear(measured, at);
                }}
            />
            <button className="act self-start" disabled={!may || isMeasuring} onClick={() => void measure()}>
                {isMeasuring ? 'Measuring the picture …' : 'Bring the page near it'}
            </button>
        </div>
    );
}
