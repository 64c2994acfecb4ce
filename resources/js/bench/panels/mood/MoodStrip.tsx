/** The moods of the series as small pictures of this page; pressing one shows the page in it. */
import { useQuery } from '@tanstack/react-query';
import { api } from '../../../api/client';
import type { MoodState } from '../../../api/generated';
import { inMood } from '../../../page/ops/passes/wearMood';
import { hasPanelMoods, regionsInMood } from '../../../page/ops/passes/wearPanelMood';
import { mayColour } from '../../../page/store';
import { Panel } from '../../../ui/Panel';
import { useBench, usePage, useSession } from '../../model/context';
import { CompareMoods } from './CompareMoods';
import { OwnMoods } from './OwnMoods';

export function MoodStrip() {
    const session = useSession();
    const may = usePage(mayColour);
    const series = usePage((view) => view.series.id);
    const page = usePage((view) => view.id);
    const shown = usePage((view) => view.records.page.page?.mood ?? '');
    const hasOwn = usePage((view) => hasPanelMoods(view.records.pass));
    // What lies beneath the moods: when it changes, the small pictures do.
    const state = usePage((view) => `${view.palette.version}-${Math.floor(view.revision / FRESH)}`);
    const { data: moods } = useQuery({ queryKey: ['moods', series], queryFn: () => api.moods(series) });
    const picked = useBench((view) => view.pickedRegions);
    const wear = (mood: MoodState | null): void => {
        const { pass } = session.view.records;
        const [name, layers] = [mood?.name ?? '', mood?.layers ?? []];
        session.apply(picked.length > 0 ? regionsInMood(name, layers, picked) : inMood(name, layers, pass));
    };
    return (
        <Panel title="Moods" help="mood#moods">
            <p className="quiet mb-1.5 text-[13px]" aria-live="polite">
                {picked.length > 0 ? onPicked(picked.length) : onPage(shown)}
            </p>
            <ul className="grid grid-cols-4 gap-1">
                {(moods ?? []).map((mood) => (
                    <li key={mood.key}>
                        <MoodButton
                            mood={mood}
                            picture={api.moodPictureUrl(page, mood.key, state)}
                            isShown={mood.name === shown}
                            disabled={!may}
                            onPress={() => wear(mood)}
                        />
                    </li>
                ))}
            </ul>
            <div className="mt-2 flex flex-wrap gap-1">
                {picked.length > 0 ? (
                    <button className="act" disabled={!may || !hasOwn} onClick={() => wear(null)}>
                        Show them as the page is
                    </button>
                ) : (
                    <button className="act" disabled={!may || shown === ''} onClick={() => wear(null)}>
                        Show no mood
                    </button>
                )}
            </div>
            <CompareMoods moods={moods ?? []} state={state} />
            {may && <OwnMoods moods={moods ?? []} shown={shown} />}
        </Panel>
    );
}

const onPicked = (count: number): string =>
    `${count === 1 ? 'One region is' : `${count} regions are`} picked. The mood you press shows there alone.`;

const onPage = (shown: string): string =>
    shown === '' ? 'The page is shown as it is lit. Press a mood to see it in that.' : `Shown in “${shown}”.`;

/** Small pictures are made anew after so many changes of the page. */
const FRESH = 10;

interface ButtonProps {
    mood: MoodState;
    picture: string;
    isShown: boolean;
    disabled: boolean;
    onPress: () => void;
}

function MoodButton({ mood, picture, isShown, disabled, onPress }: ButtonProps) {
    return (
        <button
            className={`bare flex w-full flex-col gap-0.5 border p-px text-left text-[11px] ${isShown ? 'border-primary' : 'border-base-300'}`}
            aria-pressed={isShown}
            disabled={disabled}
            title={mood.layers.map(({ name }) => name).join(' · ')}
            onClick={onPress}
        >
            <img src={picture} alt="" loading="lazy" className="aspect-[3/4] w-full bg-base-200 object-cover" />
            <span className="leading-tight">{mood.name}</span>
        </button>
    );
}
