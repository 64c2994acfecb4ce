/** As the core's. */
export const LARGEST_BRUSH = 1200;
/** How much a line is drawn after the hand, at the most. */
export const STEADIEST = 0.95;
/** The heaviest line there is, px. */
export const HEAVIEST_LINE = 200;
