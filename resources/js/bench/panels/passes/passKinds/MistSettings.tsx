import type { MistData } from '../../../../api/generated';
import { ColourAndPlaces } from './ColourAndPlaces';
import { Dials } from './Dials';
import { count, share, type Dial } from './dials';
import type { SettingsProps } from './settings';

const DIALS: Dial<MistData>[] = [
    count('size', 'Size', [8, 2000], ' px'),
    share('density', 'Density'),
    share('texture', 'Texture', '0 is an even fog'),
    share('top', 'From', 'Where it begins: 0 % is the top of the page, 100 % its foot', [-1, 2]),
    share('bottom', 'To', 'Where it ends: 0 % is the top of the page, 100 % its foot', [-1, 2]),
    share('fade', 'Thins out over', 'How much of the height of the page it needs to thin out to nothing'),
];

export function MistSettings(props: SettingsProps<MistData>) {
    return (
        <>
            <ColourAndPlaces {...props} other="Other patches" title="The patches lie in other places" />
            <Dials {...props} dials={DIALS} />
        </>
    );
}
