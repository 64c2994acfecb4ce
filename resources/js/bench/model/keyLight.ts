import type { LightPlanData, LightState, PaletteState } from '../../api/generated';
import { USUAL_DIALS } from '../../picture/maquette';

/** A light far away, and where it stands over a ball. */
export interface KeyLight {
    /** Degrees: 0 from the right, 90 from above, counter-clockwise. */
    azimuth: number;
    /** Degrees: 0 from the side, 90 from the reader. */
    elevation: number;
}

export const AT_FIRST: LightPlanData = {
    azimuth: 135,
    elevation: 40,
    colour: '#fff1d6',
    ambient: '#8fa8c8',
    dials: { ...USUAL_DIALS, folds: 0.4, reach: 0.3, cast: 40 },
    beside: false,
    lamps: [],
    back: null,
};

/** The light plan a page stands under; null: under none. */
export const planOf = ({ lights, plan }: PaletteState): LightState | null =>
    lights.find(({ id }) => id === plan) ?? null;

/** The light of a page, or the usual one, as what is lit by dials has it: these go from -180 to 180 degrees. */
export function dialsOfLight(palette: PaletteState): { light: number; height: number } {
    const { azimuth, elevation } = planOf(palette)?.plan ?? AT_FIRST;
    return { light: azimuth > 180 ? azimuth - 360 : azimuth, height: elevation };
}

const DEGREES = 180 / Math.PI;

/** To the light: right, up, toward the reader. */
export function directionOf({ azimuth, elevation }: KeyLight): [number, number, number] {
    const across = Math.cos(elevation / DEGREES);
    return [across * Math.cos(azimuth / DEGREES), across * Math.sin(azimuth / DEGREES), Math.sin(elevation / DEGREES)];
}

/** The light that stands over a place of a ball of radius 1; from beside it the light comes from the side. */
export function lightAt(x: number, y: number): KeyLight {
    const far = Math.min(1, Math.hypot(x, y));
    return { azimuth: (Math.atan2(y, x) * DEGREES + 360) % 360, elevation: Math.acos(far) * DEGREES };
}

/** What an arrow makes of it; null where the key means nothing here. */
export function turned({ azimuth, elevation }: KeyLight, key: string, by: number): KeyLight | null {
    switch (key) {
        case 'ArrowLeft':
            return { azimuth: (azimuth + by) % 360, elevation };
        case 'ArrowRight':
            return { azimuth: (azimuth + 360 - by) % 360, elevation };
        case 'ArrowUp':
            return { azimuth, elevation: Math.min(90, elevation + by) };
        case 'ArrowDown':
            return { azimuth, elevation: Math.max(0, elevation - by) };
        default:
            return null;
    }
}
