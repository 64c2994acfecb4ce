/** The pass's own colours. */
import type { PaintData } from '../../api/generated';
import { passKind } from './passKind';

const ANY = 'conic-gradient(#c66,#cc6,#6c6,#6cc,#66c,#c6c,#c66)';

export const paint = passKind<PaintData>({
    kind: 'paint',
    holds: 'paint',
    lay(canvas, ground, pass) {
        const planes = ground.bytes(pass.layer);
        if (planes !== null) canvas.paint(planes, ground.coverageOf(pass), pass);
    },
    swatch: () => ANY,
    words: () => 'free colour',
});
