/** How much of a weather shows by the light of lamps, as core/src/Compose/Weather/Lamplight.php has it. */
import type { ParticlesData } from '../../api/generated';
import type { Stretch } from '../ground';

/**
 * Weakens a plane where no lamp reaches.
 *
 * @param plane one byte a px of the stretch
 * @param page px, of the whole page at the stretch's level
 */
export function underLamps(
    plane: Uint8Array,
    { lamps, dim }: Pick<ParticlesData, 'lamps' | 'dim'>,
    page: { width: number; height: number },
    stretch: Stretch,
): void {
    if (lamps.length === 0 || dim <= 0) return;
    const at = lamps.map(([x, y, reach]) => [x * page.width, y * page.height, reach * page.width]);
    for (let i = 0; i < plane.length; i++) {
        if (plane[i] === 0) continue;
        const x = stretch.x + (i % stretch.width) + 0.5;
        const y = stretch.y + Math.floor(i / stretch.width) + 0.5;
        let lit = 0;
        for (const [lampX, lampY, reach] of at)
            lit = Math.max(lit, 1 - Math.sqrt((x - lampX) ** 2 + (y - lampY) ** 2) / reach);
        plane[i] = Math.floor(plane[i] * (1 - dim * (1 - lit * lit * (3 - 2 * lit))) + 0.5);
    }
}
