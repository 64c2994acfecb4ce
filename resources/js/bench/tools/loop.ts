import { mayFlat, whyNot } from '../../page/store';
import { fillSentence, pickFirst } from './fill';
import { OutlineGesture, thinned } from './outline';
import type { Tool } from './tool';
import { fillInside } from '../../page/ops/flats/fillInside';
import { filledWith } from '../../page/ops/shown';

export const loop: Tool = {
    id: 'loop',
    name: 'Loop',
    key: 'Q',
    what: 'Draw a loop: every region wholly inside it that is unfilled takes the picked material. Shift: filled ones, too',
    cursor: 'crosshair',
    options: [],
    sentence: (bench) =>
        bench.target === null
            ? fillSentence(bench)
            : `${fillSentence(bench)}: what lies wholly inside a loop; with Shift also what is filled`,
    begin(host, start) {
        const { session, target } = host.bench;
        const refusal = mayFlat(session.view) ? pickFirst(host) : whyNot(session.view, 'flat');
        if (refusal !== null || target === null) {
            session.say(refusal);
            return null;
        }
        return new OutlineGesture(start, (outline) => {
            if (outline.length > 2)
                session.apply(
                    fillInside({ outline: thinned(outline), ...filledWith(target.material), unfilled: !start.shift }),
                );
        });
    },
};
