/** As the core's. */
export const LARGEST_BRUSH = 1200;
