import type { LightningData } from '../../../../api/generated';
import { ColourAndPlaces } from './ColourAndPlaces';
import { Dials } from './Dials';
import { count, length, share, type Dial } from './dials';
import { OutlineColour } from './OutlineColour';
import type { SettingsProps } from './settings';

const DIALS: Dial<LightningData>[] = [
    length('width', 'Width', [0.2, 20]),
    share('jag', 'Jaggedness', 'How far it leaves the straight way'),
    count('branches', 'Branches', [0, 12]),
    length('glow', 'Glow', [0, 60]),
    length('outline', 'Outline', [0, 5]),
];

export function LightningSettings(props: SettingsProps<LightningData>) {
    return (
        <>
            <ColourAndPlaces {...props} other="Another way" title="It takes another way between the same places" />
            <Dials {...props} dials={DIALS} />
            <OutlineColour {...props} />
        </>
    );
}
