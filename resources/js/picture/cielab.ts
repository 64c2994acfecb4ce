/** CIE L*a*b* under D50 (CIE 15; sRGB adapted by Bradford), as the core has it. */
import { decode, encode } from './oklab';
import type { Colour, Triple } from './colour';

const EPSILON = 216 / 24389;
const KAPPA = 24389 / 27;
const WHITE: Triple = [0.3457 / 0.3585, 1, (1 - 0.3457 - 0.3585) / 0.3585];

export function toLab(colour: Colour): Triple {
    const [r, g, b] = [16, 8, 0].map((shift) => decode(((colour >> shift) & 255) / 255));
    const xyz: Triple = [
        0.436065742824811 * r + 0.3851514688337912 * g + 0.14307845442264197 * b,
        0.22249319175623702 * r + 0.7168870538238823 * g + 0.06061979053616537 * b,
        0.013923904500943465 * r + 0.09708128566574634 * g + 0.7140993584005155 * b,
    ];
    const [x, y, z] = xyz.map((value, i) => {
        const t = value / WHITE[i];
        return t > EPSILON ? Math.cbrt(t) : (KAPPA * t + 16) / 116;
    });
    return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

/** Held to sRGB channel by channel: what is typed is a wish. */
export function ofLab([l, a, b]: Triple): Colour {
    const fy = (l + 16) / 116;
    const cube = (f: number): number => (f ** 3 > EPSILON ? f ** 3 : (116 * f - 16) / KAPPA);
    const [x, y, z] = [cube(fy + a / 500) * WHITE[0], l > 8 ? fy ** 3 : l / KAPPA, cube(fy - b / 200) * WHITE[2]];
    const parts = [
        3.1341359569958707 * x - 1.6173863321612538 * y - 0.4906619460083532 * z,
        -0.978795502912089 * x + 1.916254567259524 * y + 0.03344273116131949 * z,
        0.07195537988411677 * x - 0.2289768264158322 * y + 1.405386058324125 * z,
    ];
    return parts.reduce((colour, part) => colour * 256 + Math.max(0, Math.min(255, Math.round(255 * encode(part)))), 0);
}
