/** A colour as 0xRRGGBB. */
export type Colour = number;

export const toColour = (hex: string): Colour => parseInt(hex.slice(1), 16);
