/** What a tool is. A new tool is a file beside this one, a line in the registry, and its name in a stage. */
import type { BenchModel } from '../model/model';
import type { View } from '../surface/viewport';

export type ToolId =
    | 'look'
    | 'fill'
    | 'sweep'
    | 'loop'
    | 'allBut'
    | 'cue'
    | 'unfill'
    | 'bridge'
    | 'block'
    | 'choose'
    | 'pen'
    | 'area'
    | 'pour'
    | 'ramp'
    | 'soften'
    | 'drag'
    | 'move'
    | 'erase'
    | 'ink'
    | 'pick'
    | 'strike'
    | 'place'
    | 'shape';

/** A place of the page under the hand. */
export interface ToolPoint {
    x: number;
    y: number;
    /** 0..1; a mouse always presses fully. */
    pressure: number;
    shift: boolean;
    alt: boolean;
    isMouse: boolean;
    /** Milliseconds. */
    time: number;
}

/** What a tool may ask of the surface. */
export interface ToolHost {
    bench: BenchModel;
    view: View;
    /** The level of tiles that is on screen. */
    level: number;
    /** The region at a place of the page; 0 for none. */
    labelAt(x: number, y: number): number;
    /**
     * Tiles of the level that are on screen, as "column,row"; of these, where spots are given, those round about them.
     */
    places(spots: readonly { x: number; y: number }[] | null): Set<string>;
    /** These tiles of a layer look different now; the layer is the one being worked on. */
    touched(level: number, places: Set<string>, layer: string): void;
}

/** From the hand going down to it going up, or being called off. */
export interface Gesture {
    move(points: ToolPoint[]): void;
    up(): void;
    /** A second finger, Escape, a lost pointer: nothing must remain of it. */
    cancel(): void;
    /** Drawn over the page while it lasts, in screen pixels. */
    overlay?(context: CanvasRenderingContext2D, toScreen: DOMMatrix): void;
}

/** What the strip offers for a tool. */
export type ToolOption =
    | 'brush'
    | 'size'
    | 'opacity'
    | 'flow'
    | 'steady'
    | 'weight'
    | 'taper'
    | 'grain'
    | 'axis'
    | 'shape'
    | 'cut'
    | 'shapeUse'
    | 'blockWith'
    | 'areaWith'
    | 'rampForm'
    | 'rampThrough'
    | 'softness'
    | 'strength'
    | 'within'
    | 'lifted';

export interface Tool {
    id: ToolId;
    name: string;
    /** The letter on its face. */
    key: string;
    what: string;
    cursor: 'grab' | 'crosshair' | 'ring';
    options: ToolOption[];
    /** Read out under the canvas: what the hand will do. */
    sentence(bench: BenchModel): string;
    /** Enter: a shape that is set corner by corner is whole. */
    end?(host: ToolHost): void;
    /** Null when it cannot be done; then it has said why. */
    begin(host: ToolHost, point: ToolPoint): Gesture | null;
}
