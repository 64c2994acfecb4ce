/** Lays one colour through a coverage that is computed, as core/src/Compose/Layers/WeatherLayer.php does. */
import type { FloatCanvas } from '../canvas';
import { toColour } from '../colour';
import type { Ground } from '../ground';
import type { PassNode } from '../stack';

export function layColour(
    canvas: FloatCanvas,
    ground: Ground,
    pass: Omit<PassNode, 'content'>,
    colour: string,
    coverage: Uint8Array,
): void {
    const filled = ground.filled(pass);
    if (filled === null) return;
    for (let i = 0; i < coverage.length; i++) coverage[i] = Math.round((coverage[i] * filled[i]) / 255);
    const laid = toColour(colour);
    canvas.tint(ground, coverage, () => laid, pass);
}
