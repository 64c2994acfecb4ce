import type { BridgesInput } from '../../../api/generated';
import { opOf } from '../op';

/** A bridge is drawn, kept, or not made any more. */
export const changeBridges = opOf<BridgesInput>()('bridges', {
    name: 'The bridge',
    touches: ({ bridge }) => (bridge === null ? [] : [`bridge ${bridge}`]),
    show({ bridge, as }, { records }) {
        const was = bridge === null ? undefined : records.bridge[bridge];
        return was === undefined || as === null
            ? {}
            : { bridge: { ...records.bridge, [String(bridge)]: { ...was, kind: as } } };
    },
});
