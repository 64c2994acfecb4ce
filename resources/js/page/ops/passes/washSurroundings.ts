import type { WashSurroundingsInput } from '../../../api/generated';
import { opOf } from '../op';
import { passesOf, withNewPass } from '../shown';

/** The wash of a figure in the colour of what lies around it; a figure has one. */
export const aroundId = (figure: number): string => `around${figure}`;

/** Washes figures in the colour of what lies around each of them. */
export const washSurroundings = opOf<WashSurroundingsInput>()('wash.around', {
    name: 'The wash of the surroundings',
    touches: ({ washes }) => passesOf(washes.map(({ figure }) => aroundId(figure))),
    show({ washes, strength }, view) {
        let { records } = view;
        for (const { figure, colour, around } of washes) {
            const id = aroundId(figure);
            const content = { kind: 'wash' as const, colour, around };
            const there = records.pass[id];
            records =
                there === undefined
                    ? {
                          ...records,
                          ...withNewPass({ ...view, records }, id, {
                              name: 'Surroundings',
                              figure,
                              content,
                              scope: { kind: 'figure', id: figure },
                              mode: 'normal',
                              opacity: strength,
                          }),
                      }
                    : { ...records, pass: { ...records.pass, [id]: { ...there, content, opacity: strength } } };
        }
        return { pass: records.pass };
    },
});
