/** Which parts of a colour, as sRGB codes them, something alters; as core/src/Colour/Channel.php. */
import type { Channel } from '../api/generated';
import { ToneTable } from './toneTable';

/** What becomes of red, green and blue, each by itself; null: it stays as it is. */
export type ChannelTables = readonly [ToneTable | null, ToneTable | null, ToneTable | null];

export function channelTables(channel: Channel, value: (was: number) => number): ChannelTables {
    const table = new ToneTable(value);
    const of = (name: Channel): ToneTable | null => (channel === 'all' || channel === name ? table : null);
    return [of('red'), of('green'), of('blue')];
}
