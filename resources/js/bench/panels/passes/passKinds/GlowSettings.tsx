import type { GlowData } from '../../../../api/generated';
import { Dials } from './Dials';
import { length, share, type Dial } from './dials';
import type { SettingsProps } from './settings';

const DIALS: Dial<GlowData>[] = [
    share('threshold', 'From', 'How bright what glows is at the least', [0, 0.99]),
    length('reach', 'Reach', [0.5, 30]),
];

export function GlowSettings(props: SettingsProps<GlowData>) {
    return <Dials {...props} dials={DIALS} />;
}
