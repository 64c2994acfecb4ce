/** What shapes can be drawn with. */

export const AREA_WITH = ['loop', 'corners'] as const;
export type AreaWith = (typeof AREA_WITH)[number];

/**
 * A freehand outline, corners that are clicked, a broad pen, or one that pushes the border of the region it begins in.
 */
export const BLOCK_WITH = ['loop', 'corners', 'pen', 'push'] as const;
export type BlockWith = (typeof BLOCK_WITH)[number];
