import type { LimitInput } from '../../../api/generated';
import { opOf } from '../op';

/** Gaps up to so many px are bridged without asking. */
export const limitBridges = opOf<LimitInput>()('bridges.limit', {
    name: 'The limit of bridges',
});
