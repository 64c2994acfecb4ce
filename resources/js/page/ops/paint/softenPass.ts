import type { SoftenPassInput } from '../../../api/generated';
import { opOf } from '../op';

export const softenPass = opOf<SoftenPassInput>()('pass.soften', {
    name: 'Softening',
});
