/** What a tool is. A new tool is a file beside this one, a line in the registry, and its name in a stage. */
import type { ComponentType } from 'react';
import type { DrawingData } from '../../api/generated';
import type { Trial } from '../model/inkModel';
import type { BenchModel, BenchView } from '../model/model';
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
    | 'gradient'
    | 'clouds'
    | 'lightning'
    | 'shafts'
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

/** What a tool that is in hand may draw over the page, in screen pixels. */
export interface Paper {
    context: CanvasRenderingContext2D;
    toScreen: DOMMatrix;
    bench: BenchModel;
    view: View;
    /** Whether a gesture of it is under way, which has an overlay of its own. */
    isBusy: boolean;
    /** Draws the original of a drawing through the page, as settings that are tried would lay it; null: as it lies. */
    drawOriginal(drawing: DrawingData, trial: Trial | null, opacity: number): void;
}

export interface Tool {
    id: ToolId;
    name: string;
    /** The letter on its face. */
    key: string;
    what: string;
    cursor: 'grab' | 'crosshair' | 'ring';
    /** What it can be set to, in the order in which the strip shows them. */
    options: ComponentType[];
    /** Whether what it draws is drawn again on the other side of the mirror axis. */
    isMirrored?: true;
    /** Px of the page that its ring is wide; as wide as the brush where it does not say. */
    ring?(view: BenchView): number;
    /** What shows of it as long as it is in hand. */
    overlay?(paper: Paper): void;
    /** Read out under the canvas: what the hand will do. */
    sentence(bench: BenchModel): string;
    /** Enter: a shape that is set corner by corner is whole. */
    end?(host: ToolHost): void;
    /** Null when it cannot be done; then it has said why. */
    begin(host: ToolHost, point: ToolPoint): Gesture | null;
}
