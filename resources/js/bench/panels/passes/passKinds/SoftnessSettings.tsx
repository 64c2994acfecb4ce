import type { SoftnessData } from '../../../../api/generated';
import { Dials } from './Dials';
import { count, type Dial } from './dials';
import type { SettingsProps } from './settings';

/** In half pixels. */
const DIALS: Dial<SoftnessData>[] = [
    { ...count('reach', 'Reach', [0.5, 60], ' px'), steps: 2, title: 'How far colours run into each other' },
];

export function SoftnessSettings(props: SettingsProps<SoftnessData>) {
    return <Dials {...props} dials={DIALS} />;
}
