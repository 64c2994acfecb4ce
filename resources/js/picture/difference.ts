/** CIEDE2000 with unit weights (Sharma, Wu & Dalal 2005), as the core has it; of two L*a*b* colours. */
import type { Triple } from './colour';

const rad = (degrees: number): number => (degrees * Math.PI) / 180;

function hue(a: number, b: number): number {
    return a === 0 && b === 0 ? 0 : ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;
}

export function ciede2000([l1, a1, b1]: Triple, [l2, a2, b2]: Triple): number {
    const c = (Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2;
    const lift = 0.5 * (1 - Math.sqrt(c ** 7 / (c ** 7 + 25 ** 7)));
    const [x1, x2] = [a1 * (1 + lift), a2 * (1 + lift)];
    const [c1, c2] = [Math.hypot(x1, b1), Math.hypot(x2, b2)];
    const [h1, h2] = [hue(x1, b1), hue(x2, b2)];
    const isGrey = c1 * c2 === 0;
    const far = h2 - h1;
    const turn = isGrey ? 0 : far > 180 ? far - 360 : far < -180 ? far + 360 : far;
    const dl = l2 - l1;
    const dc = c2 - c1;
    const dh = 2 * Math.sqrt(c1 * c2) * Math.sin(rad(turn / 2));
    const l = (l1 + l2) / 2;
    const chroma = (c1 + c2) / 2;
    const sum = h1 + h2;
    const h = isGrey ? sum : Math.abs(far) <= 180 ? sum / 2 : sum < 360 ? (sum + 360) / 2 : (sum - 360) / 2;
    const t =
        1 -
        0.17 * Math.cos(rad(h - 30)) +
        0.24 * Math.cos(rad(2 * h)) +
        0.32 * Math.cos(rad(3 * h + 6)) -
        0.2 * Math.cos(rad(4 * h - 63));
    const sl = 1 + (0.015 * (l - 50) ** 2) / Math.sqrt(20 + (l - 50) ** 2);
    const sc = 1 + 0.045 * chroma;
    const sh = 1 + 0.015 * chroma * t;
    const rotation =
        -2 * Math.sqrt(chroma ** 7 / (chroma ** 7 + 25 ** 7)) * Math.sin(rad(60 * Math.exp(-(((h - 275) / 25) ** 2))));
    return Math.sqrt((dl / sl) ** 2 + (dc / sc) ** 2 + (dh / sh) ** 2 + rotation * (dc / sc) * (dh / sh));
}
