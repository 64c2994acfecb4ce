import type { LaidPaint } from '../../../api/client';
import type { PaintRampInput } from '../../../api/generated';
import { opOf } from '../op';
import { madeBy, withNewPass } from '../shown';

type LaidRamp = Omit<PaintRampInput, 'laying' | 'over'> & {
    laying: LaidPaint;
    over: { laying: LaidPaint; part: number }[];
};

export const paintRamp = opOf<LaidRamp>()('paint.ramp', {
    name: 'The ramp',
    touches: ({ laying, over }) => [laying, ...over.map((one) => one.laying)].flatMap(madeBy),
    show: ({ laying }, view) => withNewPass(view, laying.pass, laying.make),
    isDrawn: true,
});
