/** Under which light plan picked regions stand: a panel may be lit otherwise than its page. */
import { mayColour } from '../../../page/store';
import { useBench, usePage, useSession } from '../../model/context';
import { PickedChoice } from '../flats/PickedChoice';
import { setLightPlan } from '../../../page/ops/light/setLightPlan';

export function ChosenLight() {
    const session = useSession();
    const regions = usePage((view) => view.records.region);
    const lights = usePage((view) => view.palette.lights);
    const may = usePage(mayColour);
    const labels = useBench((view) => view.pickedRegions).filter((label) => regions[label] !== undefined);
    if (labels.length === 0 || lights.length === 0) return null;
    // Under a plan that is gone they stand as the page does.
    const has = labels.map((label) => lights.find(({ id }) => id === regions[label].plan)?.id ?? null);
    return (
        <PickedChoice
            label={`${labels.length} picked`}
            name="Light plan of the picked regions"
            title="Derived tones follow at once; the passes of a first light when it is laid again"
            disabled={!may}
            has={has}
            options={lights}
            onPick={(plan) => session.apply(setLightPlan({ labels, plan }))}
        />
    );
}
