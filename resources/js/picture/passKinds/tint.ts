/** One colour through the pass's coverage; of one that follows the light, the colour of each region's light. */
import type { LightColoursData, TintData } from '../../api/generated';
import { toColour } from '../colour';
import { passKind } from './passKind';

/** What of the light a tint follows; null: it has a colour of its own, be it one that a first light gave it. */
const followed = ({ follows }: TintData): keyof LightColoursData | null => (follows === 'given' ? null : follows);

/** A tint's own colour, or the one of the page's light that it follows. */
export const tintOf = (content: TintData, { lightColours }: { lightColours: LightColoursData }): string => {
    const follows = followed(content);
    return follows === null ? content.colour : lightColours[follows];
};

export const tint = passKind<TintData>({
    kind: 'tint',
    holds: 'coverage',
    lay(canvas, ground, pass, content) {
        const colour = toColour(content.colour);
        const follows = followed(content);
        canvas.tint(
            ground,
            ground.coverageOf(pass),
            (flat) => (follows === null ? colour : (flat?.light?.[follows] ?? colour)),
            pass,
        );
    },
    onPage: (content, palette) => ({ ...content, colour: tintOf(content, palette) }),
    swatch: (content, _, palette) => tintOf(content, palette),
    words: ({ colour }, { mode }) => `${colour} in ${mode}`,
});
