/** Colours that run into each other, as core/src/Compose/Layers/GradientLayer.php lays them. */
import type { GradientData } from '../../api/generated';
import { gradientRamp, STEPS } from '../gradientRamp';
import { passKind } from './passKind';

/** Values between two bytes are spread over 4 × 4 pixels, so that there are no bands. */
const THRESHOLDS = [0, 8, 2, 10, 12, 4, 14, 6, 3, 11, 1, 9, 15, 7, 13, 5];

export const gradient = passKind<GradientData>({
    kind: 'gradient',
    holds: null,
    lay(canvas, ground, pass, content) {
        const filled = ground.filled(pass);
        if (filled === null) return;
        const { width, height } = ground.page;
        const [fromX, fromY] = [content.from[0] * width, content.from[1] * height];
        const [alongX, alongY] = [content.to[0] * width - fromX, content.to[1] * height - fromY];
        const squared = alongX * alongX + alongY * alongY;
        const isRound = content.form === 'round';
        const ramp = gradientRamp(content);
        // Along the way, in steps of the ramp.
        const scale = STEPS / (isRound ? Math.sqrt(squared) : squared);
        const { count } = ground;
        const bytes = new Uint8Array(4 * count);
        ground.everywhere((i, x, y, middleX, middleY) => {
            const [across, down] = [middleX - fromX, middleY - fromY];
            const place = isRound ? Math.sqrt(across * across + down * down) : across * alongX + down * alongY;
            const at = 4 * Math.max(0, Math.min(STEPS, Math.floor(scale * place + 0.5)));
            const more = THRESHOLDS[((y & 3) << 2) | (x & 3)];
            for (let part = 0; part < 4; part++) bytes[part * count + i] = (ramp[at + part] + more) >> 4;
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
