/** The page as it is held against another mood: at an edge that is dragged, while held, or side by side. */
import { useState } from 'react';
import { api } from '../../../api/client';
import type { MoodState } from '../../../api/generated';
import { Choice } from '../../../ui/Choice';
import { Dialog } from '../../../ui/Dialog';
import { Slide } from '../../../ui/Slide';
import { useBench, useBenchModel, usePage } from '../../model/context';

const NONE = '';

interface Props {
    moods: MoodState[];
    /** Of the page, as addresses of its pictures name it. */
    state: string;
}

export function CompareMoods({ moods, state }: Props) {
    const bench = useBenchModel();
    const page = usePage((view) => view.id);
    const edge = useBench((view) => view.edge);
    const key = useBench((view) => view.compared) ?? NONE;
    const [isBeside, setBeside] = useState(false);
    const address = api.moodPictureUrl(page, key, state, 'large');
    const compare = (chosen: string): void => {
        bench.set({ compared: chosen === NONE ? null : chosen });
    };
    const hold = (isComparing: boolean) => () => bench.set({ isComparing });
    const names = Object.fromEntries([
        [NONE, 'no other mood'],
        ...moods.map((mood) => [mood.key, mood.name]),
    ]) as Record<string, string>;
    return (
        <div className="mt-2 flex flex-col gap-1">
            <Choice
                label="Compare with"
                value={key}
                options={[NONE, ...moods.map((mood) => mood.key)]}
                names={names}
                onChange={compare}
            />
            {key !== NONE && (
                <>
                    <Arriving key={address} address={address} />
                    <Slide
                        wide
                        label="Edge"
                        title="Left of it is the page as it is, right of it the other mood"
                        most={100}
                        value={Math.round(100 * edge)}
                        shown={`${Math.round(100 * edge)} %`}
                        onChange={(at) => bench.set({ edge: at / 100 })}
                    />
                    <div className="flex flex-wrap gap-1">
                        <button
                            className="act"
                            title="The key is the comma"
                            onPointerDown={hold(true)}
                            onPointerUp={hold(false)}
                            onPointerLeave={hold(false)}
                            onKeyDown={(event) => event.key === ' ' && hold(true)()}
                            onKeyUp={hold(false)}
                        >
                            Hold to see the other mood
                        </button>
                        <button className="act" onClick={() => setBeside(true)}>
                            Side by side
                        </button>
                    </div>
                </>
            )}
            {isBeside && (
                <Dialog title="Side by side" isWide onClose={() => setBeside(false)}>
                    <div className="grid grid-cols-2 gap-3">
                        <Beside words="As it is" address={api.moodPictureUrl(page, 'shown', state, 'large')} />
                        <Beside words={names[key]} address={address} />
                    </div>
                </Dialog>
            )}
        </div>
    );
}

/** Until the picture is there, the page alone is shown. */
function Arriving({ address }: { address: string }) {
    const [isHere, setHere] = useState(false);
    return isHere ? null : (
        <p className="quiet text-[13px]" aria-live="polite">
            The picture is being made.
            <img src={address} alt="" className="hidden" onLoad={() => setHere(true)} />
        </p>
    );
}

function Beside({ words, address }: { words: string; address: string }) {
    const [isHere, setHere] = useState(false);
    return (
        <figure className="flex flex-col gap-1">
            <img
                src={address}
                alt={words}
                className="h-[70vh] w-full bg-base-200 object-contain"
                onLoad={() => setHere(true)}
            />
            <figcaption className="text-center" aria-live="polite">
                {isHere ? words : `${words}: the picture is being made`}
            </figcaption>
        </figure>
    );
}
