import type { ContentData } from '../../../../api/generated';
import { ColourSetting } from './ColourSetting';
import type { SettingsProps } from './settings';
import { useContent } from './useContent';

const SEEDS = 65536;

type Seeded = Extract<ContentData, { colour: string; seed: number }>;

interface Props<Content extends Seeded> extends SettingsProps<Content> {
    /** What the button says that draws another seed. */
    other: string;
    title: string;
}

/** The colour of a weather, and a button that has it lie elsewhere. */
export function ColourAndPlaces<Content extends Seeded>({ other, title, ...of }: Props<Content>) {
    const { id, disabled } = of;
    const content: Seeded = of.content;
    const { apply } = useContent(id, content);
    return (
        <div className="flex items-center gap-2">
            <ColourSetting id={id} content={content} disabled={disabled} name="colour" label="Colour" />
            <button
                className="act"
                disabled={disabled}
                title={title}
                onClick={() => apply({ seed: (content.seed + 1) % SEEDS })}
            >
                {other}
            </button>
        </div>
    );
}
