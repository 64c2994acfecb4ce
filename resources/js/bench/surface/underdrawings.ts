/** Underdrawings over the page: tinted, as strong as they are set; below the ink, which then stays ink, or above it. */
import type { DrawingData } from '../../api/generated';
import { SIDE } from '../../picture/compose';
import { toColour } from '../../picture/colour';
import { remember } from '../../picture/remember';
import type { TileCache } from '../../picture/tiles';

const MOST_KEPT = 200;

export class Underdrawings {
    private readonly tinted = new Map<string, HTMLCanvasElement>();

    constructor(private readonly tiles: TileCache) {}

    draw(
        context: CanvasRenderingContext2D,
        id: string,
        drawing: DrawingData,
        level: number,
        column: number,
        row: number,
    ): void {
        const bytes = this.tiles.get(level, `drawing:${id}`, column, row, 0);
        if (bytes === undefined || bytes === null) return;
        const span = SIDE << level;
        const version = this.tiles.versionOf(level, `drawing:${id}`, column, row);
        context.save();
        context.globalCompositeOperation = drawing.above ? 'source-over' : 'multiply';
        context.globalAlpha = drawing.strength;
        context.drawImage(
            this.canvas(`${id} ${level} ${column},${row} ${version} ${drawing.tint}`, bytes, drawing.tint),
            column * span,
            row * span,
            span,
            span,
        );
        context.restore();
    }

    private canvas(key: string, bytes: Uint8Array, tint: string): HTMLCanvasElement {
        const canvas = this.tinted.get(key) ?? tintedTile(bytes, toColour(tint));
        remember(this.tinted, key, canvas, MOST_KEPT);
        return canvas;
    }
}

function tintedTile(bytes: Uint8Array, colour: number): HTMLCanvasElement {
    const pixels = new Uint8ClampedArray(4 * SIDE * SIDE);
    for (let i = 0; i < bytes.length; i++) {
        pixels[4 * i] = colour >> 16;
        pixels[4 * i + 1] = (colour >> 8) & 255;
        pixels[4 * i + 2] = colour & 255;
        pixels[4 * i + 3] = bytes[i];
    }
    const canvas = document.createElement('canvas');
    canvas.width = canvas.height = SIDE;
    canvas.getContext('2d')?.putImageData(new ImageData(pixels, SIDE, SIDE), 0, 0);
    return canvas;
}
