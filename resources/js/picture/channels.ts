/** Which parts of a colour, as sRGB codes them, something alters; as core/src/Colour/Channel.php. */
import type { Channel } from '../api/generated';
import type { Triple } from './colour';

export function ofChannel(
    channel: Channel,
    value: (was: number) => number,
): (r: number, g: number, b: number) => Triple {
    switch (channel) {
        case 'red':
            return (r, g, b) => [value(r), g, b];
        case 'green':
            return (r, g, b) => [r, value(g), b];
        case 'blue':
            return (r, g, b) => [r, g, value(b)];
        default:
            return (r, g, b) => [value(r), value(g), value(b)];
    }
}
