import { PARTICLE_FORMS, type LampPlaceData, type ParticleForm, type ParticlesData } from '../../../../api/generated';
import { Choice } from '../../../../ui/Choice';
import { usePage } from '../../../model/context';
import { planOf } from '../../../model/keyLight';
import { ColourAndPlaces } from './ColourAndPlaces';
import { Dials } from './Dials';
import { direction, length, share, type Dial } from './dials';
import { OutlineColour } from './OutlineColour';
import type { SettingsProps } from './settings';
import { useContent } from './useContent';

const NAMES: Record<ParticleForm, string> = {
    streak: 'streaks',
    flake: 'flakes',
    crystal: 'crystals',
    petal: 'petals',
    ripple: 'ripples',
    splash: 'splashes',
};

const SPACING = length<ParticlesData>('spacing', 'Spacing', [4, 200]);
const LENGTH = length<ParticlesData>('length', 'Length', [0, 300]);
const OTHERS: Dial<ParticlesData>[] = [
    direction('angle', 'Direction', '0° is straight down, 90° to the right'),
    share('near', 'Near', 'How strong the large ones close to the reader are'),
    share('middle', 'Middle', 'How strong those in the middle are'),
    share('far', 'Far', 'How strong the small ones far away are'),
    share('softness', 'Softness', 'How much of each one is soft edge'),
    share('variety', 'Variety', 'How far they differ in size and strength'),
    share('spread', 'Spread', 'How far they differ in direction'),
    length<ParticlesData>('outline', 'Outline', [0, 5]),
];

const dialsOf = (form: ParticleForm): Dial<ParticlesData>[] => {
    const size = length<ParticlesData>('size', form === 'streak' ? 'Thickness' : 'Size', [0.1, 40]);
    return [SPACING, size, ...(form === 'streak' || form === 'flake' ? [LENGTH] : []), ...OTHERS];
};

export function ParticlesSettings(props: SettingsProps<ParticlesData>) {
    const { id, content, disabled } = props;
    const { apply } = useContent(id, content);
    return (
        <>
            <ColourAndPlaces {...props} other="Other places" title="All of them lie in other places" />
            <Choice
                label="Form"
                value={content.form}
                options={PARTICLE_FORMS}
                names={NAMES}
                disabled={disabled}
                onChange={(form) => apply({ form })}
            />
            <Dials {...props} dials={dialsOf(content.form)} />
            <Lamps {...props} />
            <OutlineColour {...props} />
        </>
    );
}

/** Shows more of it near the lamps of the page's light plan, as these hang when the button is pressed. */
function Lamps(props: SettingsProps<ParticlesData>) {
    const { id, content, disabled } = props;
    const { apply } = useContent(id, content);
    const plan = usePage(({ palette }) => planOf(palette)?.plan.lamps);
    const lamps = (plan ?? []).slice(0, MOST_LAMPS).map(({ x, y, reach }): LampPlaceData => [x, y, reach]);
    const isLit = content.lamps.length > 0;
    if (!isLit && lamps.length === 0) return null;
    return (
        <>
            {isLit && <Dials {...props} dials={[DIM]} />}
            <div className="flex flex-wrap gap-1">
                {lamps.length > 0 && String(lamps) !== String(content.lamps) && (
                    <button className="act" disabled={disabled} onClick={() => apply({ lamps })}>
                        {isLit ? 'Take the lamps anew' : 'Brighter near the page’s lamps'}
                    </button>
                )}
                {isLit && (
                    <button className="act" disabled={disabled} onClick={() => apply({ lamps: [] })}>
                        As bright everywhere
                    </button>
                )}
            </div>
        </>
    );
}

const DIM = share<ParticlesData>('dim', 'Dimmer elsewhere', 'How much weaker it is where no lamp reaches');

/** As the core's ParticlesContent. */
const MOST_LAMPS = 8;
