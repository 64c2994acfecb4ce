import type { StraysInput } from '../../../api/generated';
import { opOf } from '../op';

export const absorbStrays = opOf<StraysInput>()('flats.strays', {
    name: 'Joining stray pixels to their neighbours',
});
