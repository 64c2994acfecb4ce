import type { ShaftsData } from '../../../../api/generated';
import { ColourAndPlaces } from './ColourAndPlaces';
import { Dials } from './Dials';
import { count, share, type Dial } from './dials';
import type { SettingsProps } from './settings';

const DIALS: Dial<ShaftsData>[] = [
    { ...count('spread', 'Spread', [2, 180]), unit: '°', title: 'The angle from the first shaft to the last' },
    count('count', 'Shafts', [1, 60]),
    share('softness', 'Softness', 'How much of each shaft is soft edge'),
    share('variety', 'Variety', 'How far shafts differ in width and strength'),
];

export function ShaftsSettings(props: SettingsProps<ShaftsData>) {
    return (
        <>
            <ColourAndPlaces {...props} other="Other shafts" title="Shafts of other widths and strengths" />
            <Dials {...props} dials={DIALS} />
        </>
    );
}
