/** The coverage of mist or fog, as core/src/Compose/Weather/Mist.php makes it. */
import type { MistData } from '../../api/generated';
import type { Stack } from '../stack';
import { valueNoise } from '../valueNoise';

/** What the patches of half the size count beside the large ones. */
const FINER = 0.5;

/** 0..255, of a place in px of the whole page. */
export function mistAt(content: MistData, page: Stack['page']): (x: number, y: number) => number {
    const { size, density, seed, texture } = content;
    const large = valueNoise(seed, size);
    const fine = valueNoise(seed + 1, size / 2);
    // Patches have a mean of a half: so has fog without any.
    const even = (1 - texture) / 2;
    const scale = texture / (1 + FINER);
    return (x, y) => {
        const patches = scale * (large(x, y) + FINER * fine(x, y));
        return 255 * density * atHeight(content, y / page.height) * (even + patches);
    };
}

/** How much of it lies at a part of the page's height: it ends smoothly. */
function atHeight({ top, bottom, fade }: MistData, height: number): number {
    const inside = Math.min(height - top, bottom - height);
    if (fade <= 0) return inside >= 0 ? 1 : 0;
    const way = Math.max(0, Math.min(1, inside / fade + 1));
    return way * way * (3 - 2 * way);
}
