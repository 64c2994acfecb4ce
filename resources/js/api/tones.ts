/** The tones of a material: six that each has, and up to four that are named. */
import { TONES, type MaterialState, type Tone } from './generated';

const SIX_OF = 6;

/** From dark to light, then the line. */
export const SIX: readonly Tone[] = TONES.slice(0, SIX_OF);

/** Those that a material may have beside them. */
export const MORE: readonly Tone[] = TONES.slice(SIX_OF);

/** What a tone of a material is called. */
export const nameOf = (material: MaterialState, tone: Tone): string =>
    material.more.find((one) => one.tone === tone)?.name ?? tone;
