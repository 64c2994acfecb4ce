import type { ShimmerData } from '../../../../api/generated';
import { Dials } from './Dials';
import { count, direction, length, type Dial } from './dials';
import type { SettingsProps } from './settings';

const DIALS: Dial<ShimmerData>[] = [
    length('height', 'Height of waves', [0, 10]),
    length('length', 'Length of waves', [2, 200]),
    direction('angle', 'Direction', 'Which way waves follow each other: 0° is straight down'),
    count('seed', 'Other waves', [0, 100]),
];

export function ShimmerSettings(props: SettingsProps<ShimmerData>) {
    return <Dials {...props} dials={DIALS} />;
}
