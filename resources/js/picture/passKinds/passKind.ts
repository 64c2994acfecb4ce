/**
 * What a kind of pass is in the browser: how it is laid, and how it is told of. A new kind is a file here beside its
 * content and its layer in the core, and a line in registry.ts.
 */
import type { ContentData, MaterialState, PaletteState, PassData } from '../../api/generated';
import type { FloatCanvas } from '../canvas';
import type { Ground } from '../ground';
import type { Flat, PassNode } from '../stack';

/** What every pass has beside its content. */
type Laid = Omit<PassNode, 'content'>;

export interface PassKindTraits<Content extends ContentData> {
    kind: Content['kind'];
    /** What its layer holds at each pixel; null: it has none, and fills all that its clip and its mask leave. */
    holds: 'coverage' | 'paint' | null;
    /** Whether it shows in some places only, so that a pixel does not say how a region looks. */
    isScattered?: boolean;
    /** Whether it alters what lies beneath, so that it cannot be laid on nothing first. */
    alters?: boolean;
    /**
     * Px beside a pixel that count for it: it is laid over everything beneath it, composed with that margin.
     *
     * @param thousandth px for a thousandth of the page's longer side
     * @param level how often the page is halved
     */
    margin?: (content: Content, thousandth: number, level: number) => number;
    lay: (canvas: FloatCanvas, ground: Ground, pass: Laid, content: Content) => void;
    /** What it is under the light of a page and among its flats. */
    onPage?: (content: Content, palette: PaletteState, flats: ReadonlyMap<number, Flat>) => Content;
    /** What it lays, as a CSS background. */
    swatch: (content: Content, pass: PassData, palette: PaletteState) => string;
    /** What it lays, for the sentence under the canvas. */
    words: (content: Content, pass: { mode: string }, material: MaterialState) => string;
}

/** A kind of pass of which it does not matter which it is. */
export type PassKind = PassKindTraits<ContentData>;

export const passKind = <Content extends ContentData>(traits: PassKindTraits<Content>): PassKind =>
    traits as unknown as PassKind;
