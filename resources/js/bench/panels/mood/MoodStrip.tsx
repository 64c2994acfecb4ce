/** The moods of the page and of the series as small pictures of this page; pressing one shows the page in it. */
import { X } from 'lucide-react';
import type { ReactNode } from 'react';
import { api } from '../../../api/client';
import type { MoodState } from '../../../api/generated';
import { letGoMood } from '../../../page/ops/passes/letGoMood';
import { fromHand } from '../../../page/ops/passes/showHeldMood';
import { inMood } from '../../../page/ops/passes/wearMood';
import { hasPanelMoods, regionsInMood } from '../../../page/ops/passes/wearPanelMood';
import { mayColour } from '../../../page/store';
import { Panel } from '../../../ui/Panel';
import { useInTurn } from '../../../ui/useInTurn';
import { useBench, usePage, useSession } from '../../model/context';
import { heldMoods, useKept, type AtHand } from './heldMoods';
import { useMoodPictures } from './useMoodPictures';
import { wornMood } from './wornMood';

export function MoodStrip() {
    const session = useSession();
    const may = usePage(mayColour);
    const page = usePage((view) => view.id);
    const shown = usePage((view) => view.records.page.page?.mood ?? '');
    const held = heldMoods(usePage((view) => view.records.held));
    const hasOwn = usePage((view) => hasPanelMoods(view.records.pass));
    const { moods, state } = useMoodPictures();
    const picked = useBench((view) => view.pickedRegions);
    const isOnPicked = picked.length > 0;
    // What only this page has is for the whole page.
    const atHand = isOnPicked ? [] : held;
    const isKept = useKept(held.map(({ id }) => id));
    const keys = [...moods.map(({ key }) => key), ...atHand.filter(({ id }) => isKept(id)).map(({ key }) => key)];
    const pictures = useInTurn(keys.map((key) => api.moodPictureUrl(page, key, state)));
    const isOwn = (): boolean => wornMood(session.view.records, session.view.palette, moods).isOwn;
    const wear = (mood: MoodState | null): void => {
        const { records, palette } = session.view;
        session.apply(isOnPicked ? regionsInMood(mood, palette, picked) : inMood(mood, palette, records, isOwn()));
    };
    const one = (key: string) => ({
        picture: pictures.shown[keys.indexOf(key)],
        onPicture: pictures.end,
        disabled: !may,
    });
    return (
        <Panel title="Moods" help="mood#moods">
            <div className="mb-1 flex items-center justify-between gap-2">
                <p className="quiet text-[13px]" aria-live="polite">
                    {isOnPicked ? onPicked(picked.length) : onPage(shown)}
                </p>
                <button
                    className="bare shrink-0 text-[13px] underline"
                    disabled={!may || (isOnPicked ? !hasOwn : shown === '')}
                    onClick={() => wear(null)}
                >
                    {isOnPicked ? 'Show them in the page’s mood' : 'Show no mood'}
                </button>
            </div>
            {atHand.length > 0 && (
                <Strip title="At hand on this page" help={HELD}>
                    {atHand.map((mood) => (
                        <li key={mood.key} className="relative">
                            <MoodButton
                                {...one(mood.key)}
                                mood={mood}
                                label={`${mood.name}, as this page had it`}
                                isShown={false}
                                onPress={() => session.apply(fromHand(mood.id, session.view.records, isOwn()))}
                            />
                            {may && <LetGo mood={mood} onPress={() => session.apply(letGoMood({ id: mood.id }))} />}
                        </li>
                    ))}
                </Strip>
            )}
            <Strip title={atHand.length > 0 ? 'Of the series' : ''}>
                {moods.map((mood) => (
                    <li key={mood.key}>
                        <MoodButton
                            {...one(mood.key)}
                            mood={mood}
                            isShown={mood.name === shown}
                            onPress={() => wear(mood)}
                        />
                    </li>
                ))}
            </Strip>
        </Panel>
    );
}

const HELD = 'What you changed of a mood is kept here when you show the page in another one.';

interface StripProps {
    /** Empty where there is only one strip. */
    title: string;
    help?: string;
    children: ReactNode;
}

function Strip({ title, help, children }: StripProps) {
    return (
        <>
            {title !== '' && (
                <h4 className="quiet mt-1 text-[13px]" title={help}>
                    {title}
                </h4>
            )}
            <ul className="grid grid-cols-4 gap-1" aria-label={title === '' ? undefined : title}>
                {children}
            </ul>
        </>
    );
}

function LetGo({ mood, onPress }: { mood: AtHand; onPress: () => void }) {
    return (
        <button
            className="bare absolute right-1 top-1 min-h-0! min-w-0! bg-base-100! p-0.5!"
            aria-label={`Let ${mood.name} go`}
            title="Let it go: the page no longer keeps it at hand"
            onClick={onPress}
        >
            <X size={12} aria-hidden />
        </button>
    );
}

const onPicked = (count: number): string =>
    `${count === 1 ? 'One region is' : `${count} regions are`} picked. The mood you press shows there alone.`;

const onPage = (shown: string): string =>
    shown === '' ? 'The page is shown as it is lit. Press a mood to see it in that.' : `Shown in “${shown}”.`;

interface ButtonProps {
    mood: Pick<MoodState, 'name'> & { layers: { name: string }[] };
    /** Instead of its name, where another has the same. */
    label?: string;
    /** The address of its picture; undefined: its turn has not come. */
    picture: string | undefined;
    onPicture: (address: string) => void;
    isShown: boolean;
    disabled: boolean;
    onPress: () => void;
}

function MoodButton({ mood, label, picture, onPicture, isShown, disabled, onPress }: ButtonProps) {
    const end = (): void => {
        if (picture !== undefined) onPicture(picture);
    };
    return (
        <button
            className={`bare flex w-full flex-col gap-0.5 text-left text-[11px] ${isShown ? 'ring-2 ring-primary' : ''}`}
            aria-label={label}
            aria-pressed={isShown}
            disabled={disabled}
            title={mood.layers.map(({ name }) => name).join(' · ')}
            onClick={onPress}
        >
            <img
                src={picture}
                alt=""
                className="aspect-square w-full bg-base-200 object-cover"
                onLoad={end}
                onError={end}
            />
            <span className="leading-tight">{mood.name}</span>
        </button>
    );
}
