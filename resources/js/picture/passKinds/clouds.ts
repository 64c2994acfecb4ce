/** Clouds in two colours, as core/src/Compose/Layers/CloudsLayer.php lays them. */
import type { CloudsData } from '../../api/generated';
import { turning } from '../canvas';
import { toColour } from '../colour';
import { Clouds, type CloudPlanes } from '../weather/clouds';
import { passKind } from './passKind';

export const clouds = passKind<CloudsData>({
    kind: 'clouds',
    holds: null,
    isScattered: true,
    lay(canvas, ground, pass, content) {
        const filled = ground.filled(pass);
        if (filled === null) return;
        const sky = new Clouds(content, ground.page, ground.level);
        let made: Pick<CloudPlanes, 'lit'> = { lit: new Uint8Array() };
        const covered = ground.drawn((stretch) => {
            const planes = sky.in(stretch);
            made = planes;
            return planes.covered;
        });
        if (!covered.some((byte) => byte > 0)) return;
        const lit = ground.drawn(() => made.lit);
        const turned = turning(pass.turn);
        const [shade, light] = [turned(toColour(content.shade)), turned(toColour(content.colour))];
        const { count } = ground;
        const planes = new Uint8Array(4 * count);
        for (const [part, shift] of [16, 8, 0].entries()) {
            const [from, to] = [(shade >> shift) & 255, (light >> shift) & 255];
            for (let i = 0; i < count; i++)
                planes[part * count + i] = Math.floor(from + ((to - from) * lit[i]) / 255 + 0.5);
        }
        const alpha = planes.subarray(3 * count);
        for (let i = 0; i < count; i++) alpha[i] = Math.round((covered[i] * filled[i]) / 255);
        canvas.paint(planes, alpha, { ...pass, turn: null });
    },
    swatch: ({ colour, shade }) => `linear-gradient(135deg, ${colour} 55%, ${shade} 60%)`,
    words: ({ colour, shade }) => `clouds in ${colour} and ${shade}`,
});
