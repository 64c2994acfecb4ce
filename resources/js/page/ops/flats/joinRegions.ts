import type { JoinInput } from '../../../api/generated';
import { opOf } from '../op';

export const joinRegions = opOf<JoinInput>()('flats.join', {
    name: 'Joining the regions',
});
