/** As the core's. */
export const LARGEST_BRUSH = 1200;
/** The heaviest line there is, px. */
export const HEAVIEST_LINE = 200;
