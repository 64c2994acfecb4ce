/** As in the core: `MainColours::FEWEST` and `MOST`, `PickedRamp::MOST`. */
export const FEWEST_COLOURS = 3;
export const MOST_COLOURS = 12;
export const MOST_OF_RAMP = 5;
