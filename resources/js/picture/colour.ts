/** A colour as 0xRRGGBB. */
export type Colour = number;

/** Red, green and blue; as sRGB codes them, 0..1, where nothing else is said. */
export type Triple = [number, number, number];

export const toColour = (hex: string): Colour => parseInt(hex.slice(1), 16);

export const unitOf = (colour: Colour): Triple => [
    ((colour >> 16) & 255) / 255,
    ((colour >> 8) & 255) / 255,
    (colour & 255) / 255,
];

/** A part of a whole: 0..1. */
export const asShare = (value: number): number => Math.max(0, Math.min(1, value));
