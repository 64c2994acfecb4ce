/** The moods of the series as small pictures of this page; pressing one shows the page in it. */
import { api } from '../../../api/client';
import type { MoodState } from '../../../api/generated';
import { inMood } from '../../../page/ops/passes/wearMood';
import { hasPanelMoods, regionsInMood } from '../../../page/ops/passes/wearPanelMood';
import { mayColour } from '../../../page/store';
import { Panel } from '../../../ui/Panel';
import { useInTurn } from '../../../ui/useInTurn';
import { useBench, usePage, useSession } from '../../model/context';
import { useMoodPictures } from './useMoodPictures';

export function MoodStrip() {
    const session = useSession();
    const may = usePage(mayColour);
    const page = usePage((view) => view.id);
    const shown = usePage((view) => view.records.page.page?.mood ?? '');
    const hasOwn = usePage((view) => hasPanelMoods(view.records.pass));
    const { moods, state } = useMoodPictures();
    const pictures = useInTurn(moods.map((mood) => api.moodPictureUrl(page, mood.key, state)));
    const picked = useBench((view) => view.pickedRegions);
    const isOnPicked = picked.length > 0;
    const wear = (mood: MoodState | null): void => {
        const { records, palette } = session.view;
        session.apply(
            isOnPicked
                ? regionsInMood(mood?.name ?? '', mood?.layers ?? [], picked)
                : inMood(mood, palette, records.pass),
        );
    };
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
            <ul className="grid grid-cols-4 gap-1">
                {moods.map((mood, i) => (
                    <li key={mood.key}>
                        <MoodButton
                            mood={mood}
                            picture={pictures.shown[i]}
                            onPicture={pictures.end}
                            isShown={mood.name === shown}
                            disabled={!may}
                            onPress={() => wear(mood)}
                        />
                    </li>
                ))}
            </ul>
        </Panel>
    );
}

const onPicked = (count: number): string =>
    `${count === 1 ? 'One region is' : `${count} regions are`} picked. The mood you press shows there alone.`;

const onPage = (shown: string): string =>
    shown === '' ? 'The page is shown as it is lit. Press a mood to see it in that.' : `Shown in “${shown}”.`;

interface ButtonProps {
    mood: MoodState;
    /** The address of its picture; undefined: its turn has not come. */
    picture: string | undefined;
    onPicture: (address: string) => void;
    isShown: boolean;
    disabled: boolean;
    onPress: () => void;
}

function MoodButton({ mood, picture, onPicture, isShown, disabled, onPress }: ButtonProps) {
    const end = (): void => {
        if (picture !== undefined) onPicture(picture);
    };
    return (
        <button
            className={`bare flex w-full flex-col gap-0.5 border p-px text-left text-[11px] ${isShown ? 'border-primary' : 'border-base-300'}`}
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
