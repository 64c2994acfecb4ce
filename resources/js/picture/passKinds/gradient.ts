/** Colours that run into each other, as core/src/Compose/Layers/GradientLayer.php lays them. */
import type { GradientData } from '../../api/generated';
import { gradientRamp } from '../gradientRamp';
import { passKind } from './passKind';

/** Values between two bytes are spread over 4 × 4 pixels, so that there are no bands. */
const THRESHOLDS = [0, 8, 2, 10, 12, 4, 14, 6, 3, 11, 1, 9, 15, 7, 13, 5].map((one) => (one + 0.5) / 16);

export const gradient = passKind<GradientData>({
    kind: 'gradient',
    holds: null,
    lay(canvas, ground, pass, { form, space, from, to, stops }) {
        const filled = ground.filled(pass);
        if (filled === null) return;
        const { width, height } = ground.page;
        const [fromX, fromY] = [from[0] * width, from[1] * height];
        const [alongX, alongY] = [to[0] * width - fromX, to[1] * height - fromY];
        const squared = alongX * alongX + alongY * alongY;
        const ramp = gradientRamp(stops, space === 'oklab');
        const { count } = ground;
        const bytes = new Uint8Array(4 * count);
        ground.everywhere((i, x, y, middleX, middleY) => {
            const [across, down] = [middleX - fromX, middleY - fromY];
            const at =
                form === 'round'
                    ? Math.sqrt((across * across + down * down) / squared)
                    : (across * alongX + down * alongY) / squared;
            const more = THRESHOLDS[((y & 3) << 2) | (x & 3)];
            ramp(at).forEach((value, part) => (bytes[part * count + i] = Math.floor(value + more)));
        });
        const alpha = bytes.subarray(3 * count);
        for (let i = 0; i < count; i++) alpha[i] = Math.round((alpha[i] * filled[i]) / 255);
        canvas.paint(bytes, alpha, { ...pass, turn: null });
    },
    swatch: ({ form, space, stops }) => {
        const list = stops.map(({ at, colour, alpha }) => `${colour}${byte(alpha)} ${100 * at}%`).join(', ');
        const how = space === 'oklab' ? 'in oklab' : 'in srgb';
        return form === 'round' ? `radial-gradient(circle ${how}, ${list})` : `linear-gradient(90deg ${how}, ${list})`;
    },
    words: ({ form }, { mode }) => `a ${form === 'round' ? 'round' : 'straight'} gradient in ${mode}`,
});

const byte = (share: number): string =>
    Math.round(255 * share)
        .toString(16)
        .padStart(2, '0');
