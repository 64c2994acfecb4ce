/** Lays one colour through a coverage that is computed, as core/src/Compose/Layers/WeatherLayer.php does. */
import type { FloatCanvas } from '../canvas';
import { toColour } from '../colour';
import type { Ground } from '../ground';
import type { PassNode } from '../stack';

interface Outline {
    colour: string;
    /** Of the same things with their outline; what they cover themselves is taken away from it. */
    coverage: Uint8Array;
}

export function layColour(
    canvas: FloatCanvas,
    ground: Ground,
    pass: Omit<PassNode, 'content'>,
    colour: string,
    coverage: Uint8Array,
    outline: Outline | null = null,
): void {
    const filled = ground.filled(pass);
    if (filled === null) return;
    if (outline !== null) {
        const ring = product(
            outline.coverage,
            coverage.map((byte) => 255 - byte),
        );
        const around = toColour(outline.colour);
        canvas.tint(ground, product(ring, filled), () => around, pass);
    }
    const laid = toColour(colour);
    canvas.tint(ground, product(coverage, filled), () => laid, pass);
}

/**
 * Lays a weather in its colour, and the outline it has in another.
 *
 * @param around the weather that makes its outline; null: it has none
 * @param covers what one of both covers
 */
export function layOutlined<Content extends { colour: string }>(
    canvas: FloatCanvas,
    ground: Ground,
    pass: Omit<PassNode, 'content'>,
    [content, around]: [Content, Content | null],
    covers: (one: Content) => Uint8Array,
): void {
    const outline = around && { colour: around.colour, coverage: covers(around) };
    layColour(canvas, ground, pass, content.colour, covers(content), outline);
}

const product = (a: Uint8Array, b: ArrayLike<number>): Uint8Array =>
    a.map((byte, i) => Math.round((byte * b[i]) / 255));
