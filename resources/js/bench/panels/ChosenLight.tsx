/** Under which light plan picked regions stand: a panel may be lit otherwise than its page. */
import { mayColour } from '../../page/store';
import { useBench, usePage, useSession } from '../model/context';

const OF_THE_PAGE = 'page';

export function ChosenLight() {
    const session = useSession();
    const regions = usePage((view) => view.records.region);
    const lights = usePage((view) => view.palette.lights);
    const may = usePage(mayColour);
    const labels = useBench((view) => view.chosen).filter((label) => regions[label] !== undefined);
    if (labels.length === 0 || lights.length === 0) return null;
    const living = new Set(lights.map(({ id }) => id));
    const stands = new Set(
        labels.map((label) => regions[label].stands).map((id) => (id !== null && living.has(id) ? String(id) : OF_THE_PAGE)),
    );
    const stand = (value: string): void => session.standUnder(labels, value === OF_THE_PAGE ? null : Number(value));
    return (
        <label
            className="flex items-center gap-2 text-[13px]"
            title="Derived tones follow at once; roughed-in passes when they are laid again"
        >
            <span className="shrink-0">{labels.length} picked</span>
            <select
                className="field min-w-0 flex-1"
                aria-label="Light plan of the picked regions"
                disabled={!may}
                value={stands.size === 1 ? [...stands][0] : ''}
                onChange={(event) => stand(event.target.value)}
            >
                {stands.size > 1 && <option value="">several</option>}
                <option value={OF_THE_PAGE}>as the whole page</option>
                <PlanOptions />
            </select>
        </label>
    );
}

/** The light plans of the series, to be picked from. */
export function PlanOptions() {
    const lights = usePage((view) => view.palette.lights);
    return lights.map(({ id, name }) => (
        <option key={id} value={id}>
            {name}
        </option>
    ));
}
